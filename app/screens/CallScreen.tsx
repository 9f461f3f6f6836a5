import Feather from '@expo/vector-icons/Feather';
import { router } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../contract/call';
import type { NewEntry } from '../../contract/entry';
import type { Part, SwitchPart } from '../../core/diagram/diagram';
import { switches } from '../../core/diagram/terminal';
import { METERS } from '../../core/meter/meter';
import { Button } from '../components/Button';
import { Card } from '../components/Card';
import { Chip } from '../components/Chip';
import { Notice } from '../components/Notice';
import { Screen } from '../components/Screen';
import { Type } from '../components/Type';
import { loadCall } from '../state/calls';
import { selectCall } from '../state/callView';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { enqueue } from '../state/outbox';
import { radius, space, touch, useTheme } from '../theme/theme';
import { switchStanding } from './switchStanding';

/** One call: the unit, its complaint, and how each switch stands. */
export function CallScreen({ callId }: { callId: string }) {
  const dispatch = useAppDispatch();
  const call = useAppSelector((state) => selectCall(state, callId));
  const loading = useAppSelector((state) => state.calls.openState[callId]);
  useEffect(() => {
    void dispatch(loadCall(callId));
  }, [dispatch, callId]);

  if (call) return <Opened call={call} />;
  return (
    <Screen title="Call" back="/">
      {loading === 'failed' ? (
        <Notice
          icon="wifi-off"
          title="The call could not be read"
          text="It is not on this device and the server does not have it or is away."
          testID="failed"
        >
          <Button
            label="Try again"
            icon="refresh-cw"
            testID="retry"
            onPress={() => void dispatch(loadCall(callId))}
          />
        </Notice>
      ) : (
        <Notice icon="loader" title="Reading the call" testID="loading" />
      )}
    </Screen>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const dispatch = useAppDispatch();
  const { appliance, diagram } = call;
  const others = diagram.parts.filter((part) => part.kind !== 'switch');
  const move = (stage: 'open' | 'done'): void => {
    const body: NewEntry = {
      callId: call.id,
      kind: 'stage',
      phoneAt: new Date().toISOString(),
      body: { stage },
    };
    void dispatch(enqueue({ to: 'entries', id: crypto.randomUUID(), body }));
  };
  return (
    <Screen
      title={call.complaint}
      under={`${appliance.make} ${appliance.model} · ${appliance.place}`}
      back="/"
    >
      <ScrollView contentContainerStyle={styles.inner} testID="call">
        <Card>
          <Type size="lead" weight="heavy">
            {call.complaint}
          </Type>
          <Type>
            {appliance.make} {appliance.model}
          </Type>
          <Type tone="soft">
            {appliance.place}
            {appliance.customer ? ` · ${appliance.customer}` : ''}
          </Type>
          <Chip
            label={call.stage === 'done' ? 'Done' : 'Open'}
            tone={call.stage === 'done' ? 'good' : 'warn'}
            icon={call.stage === 'done' ? 'check' : 'tool'}
            testID="stage"
          />
          <Type size="small" tone="soft">
            Diagram: {diagram.name}, version {call.diagramVersion}
          </Type>
        </Card>
        <Type weight="heavy" role="heading" aria-level={2}>
          Which switch is under suspicion?
        </Type>
        {switches(diagram).map((part) => (
          <SwitchRow key={part.id} call={call} part={part} />
        ))}
        <Card>
          <Type weight="heavy" role="heading" aria-level={2}>
            Other parts of this unit
          </Type>
          {others.map((part) => (
            <OtherPart key={part.id} part={part} />
          ))}
        </Card>
        {call.stage === 'open' ? (
          <Button
            icon="check"
            label="Finish this call"
            testID="finish"
            onPress={() => move('done')}
          />
        ) : (
          <Button
            icon="rotate-ccw"
            label="Open it again"
            testID="reopen"
            onPress={() => move('open')}
          />
        )}
      </ScrollView>
    </Screen>
  );
}

function SwitchRow({ call, part }: { call: CallDetail; part: SwitchPart }) {
  const palette = useTheme();
  const meterId = useAppSelector((state) => state.settings.meter);
  const standing = useMemo(
    () => switchStanding(call, part, METERS.find((each) => each.id === meterId) ?? METERS[0]),
    [call, part, meterId],
  );
  return (
    <Pressable
      accessibilityRole="link"
      accessibilityLabel={`${part.name}: ${standing.label}`}
      testID={`switch-${part.id}`}
      onPress={() => router.navigate(`/call/${call.id}/${part.id}`)}
      style={({ pressed }) => [
        styles.switch,
        { backgroundColor: pressed ? palette.sunk : palette.card, borderColor: palette.line },
      ]}
    >
      <View style={styles.grow}>
        <Type size="lead" weight="strong">
          {part.name}
        </Type>
        <Type size="small" tone="soft">
          {part.role}
        </Type>
        {part.aliases?.map((alias) => (
          <Type key={alias.word} size="small" tone="soft">
            also “{alias.word}”{alias.trap ? `: careful, ${alias.trap}` : ''}
          </Type>
        ))}
        <Chip {...standing} testID={`standing-${part.id}`} />
      </View>
      <Feather name="chevron-right" size={26} color={palette.soft} />
    </Pressable>
  );
}

function OtherPart({ part }: { part: Part }) {
  return (
    <View style={styles.part}>
      <Type weight="strong">{part.name}</Type>
      <Type size="small" tone="soft">
        {part.role}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  switch: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: radius.medium,
    padding: space.m,
    minHeight: touch.row,
  },
  grow: { flex: 1, gap: space.xs },
  part: { paddingVertical: space.xs },
});
