import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import type { ContactEvent, OrderSeen } from '../../../core/call/orderSeen';
import { sayContact, sayEvent, sayOrder, sayWay } from '../../../core/describe/eventOrder';
import type { HandActuator } from '../../../core/diagram/diagram';
import { expectedOrder, judgeOrder, orderedActuators } from '../../../core/plan/eventOrder';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { OpenedCall } from '../../ui/OpenedCall';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LedgerCount } from './LedgerCount';
import { RecordingReader } from './RecordingReader';

/** Which contact of a door goes over first: a tap for each, while it is opened and closed slowly. */
export function OrderScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="Order of the contacts">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const ordered = orderedActuators(call.diagram);
  return (
    <Screen
      title="Order of the contacts"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
      actions={<LedgerCount call={call} />}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="order">
        {ordered.length === 0 && (
          <Notice
            icon="slash"
            title="No order to be seen on this unit"
            text="Its diagram has no door whose contacts must go over one after another."
            testID="no-order"
          />
        )}
        {ordered.map((actuator) => (
          <OneDoor key={actuator.id} call={call} actuator={actuator} />
        ))}
      </ScrollView>
    </Screen>
  );
}

function OneDoor({ call, actuator }: { call: CallDetail; actuator: HandActuator }) {
  const log = useLog(call.id);
  const { diagram } = call;
  const [way, setWay] = useState<OrderSeen['way']>('opening');
  const [taps, setTaps] = useState<ContactEvent[]>([]);
  const expected = expectedOrder(diagram, actuator, way);
  const verdict = judgeOrder(expected, taps);
  const turn = (to: OrderSeen['way']): void => {
    setWay(to);
    setTaps([]);
  };
  const tone = verdict.kind === 'right' ? 'good' : verdict.kind === 'wrong' ? 'bad' : 'ink';
  return (
    <Card testID={`order-${actuator.id}`}>
      <Type>
        Cold, unplugged and proved dead: a meter or beeper on each contact, wires off. Move the{' '}
        {actuator.name.toLowerCase()} slowly, and tap each as it goes over. Then once more, pulled
        by a corner.
      </Type>
      <OneOf
        label="Which way"
        choices={(['opening', 'closing'] as const).map((id) => ({
          id,
          label: sayWay(actuator.name, id),
          testID: `way-${id}`,
        }))}
        chosen={way}
        choose={turn}
      />
      <View style={styles.row}>
        {expected.map((event) => {
          const at = taps.findIndex(
            ({ part, contact }) => part === event.part && contact === event.contact,
          );
          return (
            <Button
              key={`${event.part} ${event.contact}`}
              label={at < 0 ? sayEvent(diagram, event) : `${at + 1}. ${sayEvent(diagram, event)}`}
              testID={`went-${event.part}`}
              selected={at >= 0}
              disabled={at >= 0}
              style={styles.tap}
              onPress={() => setTaps([...taps, { part: event.part, contact: event.contact }])}
            />
          );
        })}
      </View>
      <RecordingReader
        key={way}
        diagram={diagram}
        expected={expected}
        seen={(events) => setTaps(events)}
      />
      {taps.length > 0 && (
        <Type weight="strong" tone={tone} aria-live="polite" testID="order-says">
          {taps.map((each) => sayContact(diagram, each)).join(', then ')}.{' '}
          {sayOrder(diagram, verdict)}
        </Type>
      )}
      {taps.length > 0 && (
        <View style={styles.row}>
          <Button
            look="act"
            icon="check"
            label="So it was"
            testID="order-keep"
            style={styles.grow}
            disabled={verdict.kind === 'not-whole'}
            onPress={() => {
              log('order', { actuator: actuator.id, way, events: taps });
              turn(way === 'opening' ? 'closing' : 'opening');
            }}
          />
          <Button
            icon="rotate-ccw"
            label="Again"
            testID="order-again"
            onPress={() => setTaps([])}
          />
        </View>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  tap: { minHeight: 60, flexGrow: 1 },
  grow: { flexGrow: 1 },
});
