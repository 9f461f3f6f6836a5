import { useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { CallOpening } from '../../ui/CallOpening';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import type { KeyHint } from '../../ui/KeysCard';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change } from '../../state/settings';
import { LOW_UNDER, space, useTheme, WIDE_FROM } from '../../theme/theme';
import { LedgerCount } from '../ledger/LedgerCount';
import { ContactTableView } from './ContactTableView';
import { Gates } from './Gates';
import { History } from './History';
import { ENTRY_KEYS, Keypad } from './Keypad';
import { LastReading } from './LastReading';
import { NextCard } from './NextCard';
import { sayNext } from '../../../core/describe/nextReading';
import { TableFile } from './TableFile';
import { useSwitchProof, type SwitchProof } from './useSwitchProof';
import { VerdictCard } from './VerdictCard';

/** One switch proved against its table: the heart of the app. */
export function SwitchScreen({
  callId,
  partId,
  bench,
}: {
  callId: string;
  partId: string;
  /** A used part on the bench instead of the one in the unit. */
  bench: boolean;
}) {
  const opening = useSwitchProof(callId, partId, bench);
  const back = bench ? `/call/${callId}/decide` : `/call/${callId}`;
  if (opening.state === 'ready') return <Proof proof={opening.proof} back={back} />;
  return (
    <Screen title="Switch" back={back}>
      {opening.state === 'no-such-switch' ? (
        <Notice
          icon="slash"
          title="This diagram has no such switch"
          text="Go back and pick one from the call."
          testID="no-switch"
        />
      ) : (
        <CallOpening
          failed={opening.state === 'failed'}
          doing={opening.state === 'planning' ? 'Planning the proof' : undefined}
        />
      )}
    </Screen>
  );
}

function Proof({ proof, back }: { proof: SwitchProof; back: string }) {
  const palette = useTheme();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const low = height < LOW_UNDER;
  const [looked, setLooked] = useState<string>();
  const { call, part, state, next, gate, readings } = proof;
  const slip =
    state.verdict.kind === 'check-again' ? JSON.stringify(state.verdict.slip) : undefined;
  // The flow stops until the technician says that the setup was looked at again.
  const asking = slip !== undefined && looked !== slip;
  const last = readings.findLast((each) => !each.doubted);
  const reading = !gate && !asking && next ? next : undefined;
  const range = reading && !proof.meter.autoRanging ? sayNext(proof, reading).range.id : undefined;
  const take = (): void => setLooked(slip);
  const makeSafe = (): void => proof.acknowledge('made-safe');

  useKeys({
    u: last && (() => proof.takeBack(last.id, 'undone')),
    ...(asking && { Enter: take }),
    ...(gate === 'made-safe' && { d: makeSafe, Enter: makeSafe }),
  });

  const verdict = <VerdictCard proof={proof} />;
  const working = (
    <>
      {gate && <Gates key={gate} proof={proof} gate={gate} />}
      {!gate && last && <LastReading proof={proof} last={last} />}
      {!wide && (asking || !next) && verdict}
      {!gate && asking && (
        <Button
          look="act"
          icon="eye"
          label="I have looked: read again"
          shortcut="Enter"
          testID="looked"
          onPress={take}
        />
      )}
      {reading && <NextCard proof={proof} next={reading} />}
      {!wide && reading && state.verdict.kind === 'undecided' && verdict}
    </>
  );
  const table = (
    <Section title="Contact table">
      <ContactTableView proof={proof} />
      <Legend />
      <TableFile proof={proof} />
    </Section>
  );
  const where = (
    <Section title="Where it sits">
      <Type>{part.where ?? 'The diagram does not say.'}</Type>
      <Type size="small" tone="soft">
        {part.role}. {call.diagram.name}.
      </Type>
    </Section>
  );
  const standing = reading && state.verdict.kind !== 'undecided' ? verdict : null;
  const pad = reading && (
    <Keypad
      reading={`${readings.length}`}
      letters={wide}
      enter={(said) => proof.enter(said, range)}
    />
  );

  return (
    <Screen
      title={proof.bench ? `${part.name}, on the bench` : part.name}
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={back}
      keys={KEYS}
      actions={
        <>
          <LedgerCount call={call} />
          <DepthSwitch />
        </>
      }
    >
      {wide ? (
        <View style={styles.panes}>
          <ScrollView style={styles.side} contentContainerStyle={styles.inner}>
            {table}
            {where}
          </ScrollView>
          <View style={[styles.middle, { borderColor: palette.line }]}>
            <ScrollView contentContainerStyle={styles.inner}>
              {working}
              {low && pad}
            </ScrollView>
            {!low && pad}
          </View>
          <View style={styles.side}>
            <History proof={proof} above={verdict} />
          </View>
        </View>
      ) : (
        <>
          <History
            proof={proof}
            above={
              <>
                {working}
                {low && pad}
                {standing}
                {table}
              </>
            }
            below={where}
          />
          {!low && pad}
        </>
      )}
    </Screen>
  );
}

const KEYS: readonly KeyHint[] = [
  ['D', 'it is dead and proved dead'],
  ['U', 'takes the last reading back'],
  ['F', 'quick or full proof'],
  ...ENTRY_KEYS,
];

/** Quick or full proof. */
function DepthSwitch() {
  const dispatch = useAppDispatch();
  const depth = useAppSelector((state) => state.settings.depth);
  const other = depth === 'quick' ? 'full' : 'quick';
  const toggle = (): void => void dispatch(change({ depth: other }));
  useKeys({ f: toggle });
  return (
    <Button
      label={depth === 'quick' ? 'Quick' : 'Full'}
      icon={depth === 'quick' ? 'zap' : 'layers'}
      hint={`${depth} proof; change to ${other}`}
      shortcut="F"
      testID="depth"
      onPress={toggle}
      style={styles.depth}
    />
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Card>
      <Type weight="heavy" role="heading" aria-level={2}>
        {title}
      </Type>
      {children}
    </Card>
  );
}

const Legend = () => (
  <Type size="small" tone="soft">
    Bridge down: closed. Bridge up: open. Dashed: may be either. A tick has been seen by a number, a
    tick with a speaker only by the beeper.
  </Type>
);

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  panes: { flex: 1, flexDirection: 'row' },
  side: { flex: 1, minWidth: 300 },
  middle: { flex: 1.25, borderLeftWidth: 1, borderRightWidth: 1 },
  depth: { paddingHorizontal: space.m },
});
