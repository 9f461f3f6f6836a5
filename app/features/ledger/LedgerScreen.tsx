import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { wireMapOf } from '../../../core/call/ledger';
import type { LedgerLine } from '../../../core/call/ledgerLine';
import { mapOnSheet } from '../../../core/call/wireMap';
import { nameLine, sayOpen, sayPutBack } from '../../../core/describe/ledger';
import { nameOf } from '../../../core/describe/unit';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { splitRef } from '../../../core/diagram/terminal';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { space } from '../../theme/theme';
import { OpenedCall } from '../../ui/OpenedCall';
import { PhotoRow, photosOf } from '../photos/PhotoRow';
import { usePhotos, type Photo } from '../photos/usePhotos';
import { CauseCard } from './CauseCard';
import { InWords } from './InWords';
import { OpenLine } from './OpenLine';
import { useLedger } from './useLedger';

/** What was taken off, opened, moved or put on during a call: each line is put right, or spoken for. */
export function LedgerScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="To put back">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const { appliance, diagram } = call;
  const { open, closed, causes, protectors } = useLedger(call);
  const [adding, setAdding] = useState(false);
  const photos = usePhotos(call.id);
  const lines = open.filter(({ what }) => what !== 'cause');
  return (
    <Screen
      title="To put back"
      under={`${appliance.make} ${appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="ledger">
        {protectors.length > 0 && (
          <Card ground="badGround" edge="bad" role="alert" testID="second-protector">
            <Type size="lead" weight="heavy" tone="bad">
              A second protector in the same unit
            </Type>
            <Type>
              {protectors.map((each) => nameOf(diagram, each)).join(', ')}: what opened the first is
              still there. Find it before either is trusted.
            </Type>
          </Card>
        )}
        {causes.map((each) => (
          <CauseCard key={each.part} call={call} asked={each} />
        ))}
        {lines.length === 0 && !adding && (
          <Notice
            icon="check-circle"
            title="Nothing to put back"
            text="What tests and scripts take off or open is written here by itself. Write down what else you move."
            testID="ledger-empty"
          />
        )}
        {lines.map((line) => (
          <OpenedLine
            key={line.key}
            call={call}
            line={line}
            photos={
              line.what === 'wire' ? photosOf(photos, splitRef(line.of as TerminalRef).part) : []
            }
          />
        ))}
        {adding ? (
          <OpenLine call={call} done={() => setAdding(false)} />
        ) : (
          <Button
            icon="plus"
            label="Something else was moved, opened or taken off"
            testID="ledger-add"
            onPress={() => setAdding(true)}
          />
        )}
        {closed.length > 0 && (
          <Card testID="ledger-closed">
            <Type weight="heavy" role="heading" aria-level={2}>
              Put right
            </Type>
            {closed.map((line) => (
              <Type key={line.key} size="small">
                · {nameLine(diagram, line)}:{' '}
                {line.closed?.how === 'left'
                  ? `stays as it is: ${line.closed.words ?? ''}`
                  : sayPutBack(line.what).toLowerCase()}
              </Type>
            ))}
          </Card>
        )}
      </ScrollView>
    </Screen>
  );
}

function OpenedLine({
  call,
  line,
  photos,
}: {
  call: CallDetail;
  line: LedgerLine;
  photos: readonly Photo[];
}) {
  const log = useLog(call.id);
  const [leaving, setLeaving] = useState(false);
  const { diagram } = call;
  const name = nameLine(diagram, line);
  return (
    <Card edge="warn" testID={`line-${line.key}`}>
      <Type size="lead" weight="strong">
        {name}
      </Type>
      <Type tone="warn" weight="strong">
        {sayOpen(line.what)}
      </Type>
      {line.what === 'wire' && (
        <>
          <Belongs call={call} at={line.of as TerminalRef} diagram={diagram} />
          <PhotoRow callId={call.id} photos={photos} />
        </>
      )}
      {leaving ? (
        <InWords
          label="Why does it stay?"
          name="leave"
          keep={(words) => {
            log('closed', { line: line.key, how: 'left', words });
            setLeaving(false);
          }}
          cancel={() => setLeaving(false)}
        />
      ) : (
        <View style={styles.row}>
          <Button
            look="act"
            icon="check"
            label={sayPutBack(line.what)}
            hint={`${name}: ${sayPutBack(line.what).toLowerCase()}`}
            testID={`back-${line.key}`}
            style={styles.grow}
            onPress={() => log('closed', { line: line.key, how: 'back' })}
          />
          <Button
            label="It stays"
            hint={`${name}: it stays as it is`}
            testID={`leave-${line.key}`}
            onPress={() => setLeaving(true)}
          />
        </View>
      )}
    </Card>
  );
}

/** Which wires belong on a terminal: by the map, else by the sheet, and it is said which. */
function Belongs({ call, at, diagram }: { call: CallDetail; at: TerminalRef; diagram: Diagram }) {
  const map = wireMapOf(call.entries, splitRef(at).part);
  const mapped = map?.wires.filter((each) => each.at === at) ?? [];
  const wires = mapped.length ? mapped : mapOnSheet(diagram, [at]);
  return (
    <View style={styles.wires}>
      {wires.map(({ colour }, i) => (
        <WireSwatch key={`${colour} ${i}`} code={colour} />
      ))}
      <Type size="small" tone="soft">
        {map?.keyed
          ? 'one keyed plug'
          : mapped.length
            ? 'by your map'
            : 'by the sheet; no map was written'}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
  wires: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.m },
});
