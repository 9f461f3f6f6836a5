import Feather from '@expo/vector-icons/Feather';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isolate } from '../../../core/circuit/isolation';
import { splitRef, wiresAt } from '../../../core/diagram/terminal';
import { parseDisplay } from '../../../core/meter/display';
import { METERS } from '../../../core/meter/meter';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { WireSwatch } from '../../ui/WireSwatch';
import { change } from '../../state/settings';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { space, useTheme } from '../../theme/theme';
import type { Gate, SwitchProof } from './useSwitchProof';

/** What stops the flow until somebody says that it is done; the answer is kept in the log. */
export function Gates({ proof, gate }: { proof: SwitchProof; gate: Gate }) {
  switch (gate) {
    case 'made-safe':
      return <MakeSafe proof={proof} />;
    case 'meter-proved':
      return <ProveMeter proof={proof} />;
    case 'wires-off':
      return <WiresOff proof={proof} />;
  }
}

function MakeSafe({ proof }: { proof: SwitchProof }) {
  const legs = proof.call.diagram.supplies.some((each) => each.kind === 'split-phase');
  const done = (): void => proof.acknowledge('made-safe');
  useKeys({ Enter: done });
  return (
    <Card edge="warn" testID="gate-made-safe" style={styles.gate}>
      <Type size="title" weight="heavy">
        1 · Make it safe
      </Type>
      <Step text="Pull the plug, or open and lock the breaker. Plug behind the unit: breaker first." />
      <Step text="Prove the tester on something live, prove this dead, prove the tester again." />
      {legs && <Step text="Two hot legs: each to neutral, and leg to leg." />}
      {proof.call.diagram.cautions.map((caution) => (
        <Step key={caution} text={caution} warn />
      ))}
      <Type size="small" tone="soft">
        The maker’s sheet, local codes and licensed practice come before anything said here.
      </Type>
      <Button
        look="act"
        label="It is dead and proved dead"
        icon="lock"
        shortcut="Enter"
        testID="gate-done"
        onPress={done}
      />
    </Card>
  );
}

function ProveMeter({ proof }: { proof: SwitchProof }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.settings.meter);
  const [text, setText] = useState('0.2');
  const parsed = parseDisplay(text);
  const ohms =
    parsed.ok && parsed.value.kind === 'ohms' && parsed.value.ohms <= 5
      ? parsed.value.ohms
      : undefined;
  const done = (): void => {
    if (ohms !== undefined) proof.acknowledge('meter-proved', ohms);
  };
  useKeys({ Enter: done });
  return (
    <Card edge="warn" testID="gate-meter-proved" style={styles.gate}>
      <Type size="title" weight="heavy">
        2 · Prove the meter
      </Type>
      <Type>Which meter is in your hand?</Type>
      <View style={styles.row}>
        {METERS.map((each) => (
          <Button
            key={each.id}
            label={each.name}
            testID={`meter-${each.id}`}
            selected={each.id === chosen}
            onPress={() => dispatch(change({ meter: each.id }))}
            style={{ flex: 1 }}
          />
        ))}
      </View>
      <Step text="Dial on Ω, lowest range. Touch the tips together: it must beep or read near zero. If not: jacks, dial, leads." />
      <Field
        label="What it reads with the tips together, in Ω (it is taken off every reading)"
        testID="lead-ohms"
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        onSubmitEditing={done}
        fault={
          ohms === undefined
            ? 'Leads read up to a few ohm, such as 0.2; more means a bad lead or jack'
            : undefined
        }
      />
      <Button
        look="act"
        label="The meter is proved"
        icon="check"
        shortcut="Enter"
        testID="gate-done"
        disabled={ohms === undefined}
        onPress={done}
      />
    </Card>
  );
}

function WiresOff({ proof }: { proof: SwitchProof }) {
  const { diagram } = proof.call;
  const { lift, sneakPaths } = isolate(diagram, proof.part);
  const nameOf = (id: string): string => diagram.parts.find((each) => each.id === id)?.name ?? id;
  const done = (): void => proof.acknowledge('wires-off');
  useKeys({ Enter: done });
  return (
    <Card edge="warn" testID="gate-wires-off" style={styles.gate}>
      <Type size="title" weight="heavy">
        3 · {lift.length ? 'Photo, then wires off' : 'Photo; the wires stay on'}
      </Type>
      {proof.part.where && <Step text={`${proof.part.where}. Panel: ${panelOf(proof)}.`} />}
      <Step text="Take a photo and write down which colour sits on which terminal, before you pull anything." />
      {lift.map((ref) => (
        <View key={ref} style={styles.wire}>
          <Type size="lead" weight="mono" testID={`lift-${ref}`}>
            Pull {splitRef(ref).terminal}
          </Type>
          {wiresAt(diagram, ref).map((wire) => (
            <WireSwatch key={wire.id} code={wire.colour} />
          ))}
        </View>
      ))}
      {sneakPaths.map((way) => (
        <Type key={`${way.from} ${way.to}`} size="small" tone="soft">
          Left on, {way.through.map(nameOf).join(' and ')} would answer between{' '}
          {splitRef(way.from).terminal} and {splitRef(way.to).terminal}.
        </Type>
      ))}
      {lift.length === 0 && (
        <Type>No other way leads round this switch: it can be read with its wires on.</Type>
      )}
      <Button
        look="act"
        label={lift.length ? 'Photo taken, these wires are off' : 'Photo taken'}
        icon="camera"
        shortcut="Enter"
        testID="gate-done"
        onPress={done}
      />
    </Card>
  );
}

function panelOf({ call, part }: SwitchProof): string {
  const panel = call.diagram.panels.find((each) => each.id === part.panel);
  return panel ? `${panel.name} (${panel.fastener}, about ${panel.minutes} min)` : 'not said';
}

function Step({ text, warn }: { text: string; warn?: boolean }) {
  const palette = useTheme();
  return (
    <View style={styles.step}>
      <Feather
        name={warn ? 'alert-triangle' : 'chevron-right'}
        size={20}
        color={warn ? palette.warn : palette.soft}
      />
      <Type style={styles.stepText}>{text}</Type>
    </View>
  );
}

const styles = StyleSheet.create({
  gate: { gap: space.m, borderWidth: 2 },
  row: { flexDirection: 'row', gap: space.s },
  wire: { flexDirection: 'row', alignItems: 'center', gap: space.m, flexWrap: 'wrap' },
  step: { flexDirection: 'row', gap: space.s },
  stepText: { flex: 1 },
});
