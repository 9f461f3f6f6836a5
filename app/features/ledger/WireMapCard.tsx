import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { mapOnSheet, sharedColours, type WireMap } from '../../../core/call/wireMap';
import { marked } from '../../../core/describe/point';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { useKeys } from '../../ui/useKeys';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  part: string;
  /** Terminals that wires come off. */
  lift: readonly TerminalRef[];
  label: string;
  write: (map: WireMap) => void;
}

/** The map of the wires that come off, as the sheet has them, put right by what is there. */
export function WireMapCard({ diagram, part, lift, label, write }: Props) {
  const [wires, setWires] = useState(() => mapOnSheet(diagram, lift));
  const [keyed, setKeyed] = useState(false);
  const [asked, setAsked] = useState(false);
  const shared = sharedColours(wires);
  const whole = wires.every(({ colour }) => colour.trim());
  const done = (): void => {
    if (!keyed && !whole) return setAsked(true);
    write({
      part,
      wires: wires.map(({ at, colour }) => ({ at, colour: colour.trim() || 'NA' })),
      ...(keyed && { keyed }),
    });
  };
  useKeys({ Enter: done });
  return (
    <View style={styles.map} testID="wire-map">
      {wires.map(({ at, colour }, i) => (
        <View key={`${at} ${i}`} style={styles.wire}>
          <Type size="lead" weight="mono" style={styles.terminal} testID={`lift-${at}`}>
            {marked(diagram, at)}
          </Type>
          <WireSwatch code={colour.trim().toUpperCase()} />
          <View style={styles.grow}>
            <Field
              label={`Colour of the wire on ${marked(diagram, at)}`}
              testID={`colour-${at}-${i}`}
              value={colour}
              maxLength={20}
              autoCapitalize="characters"
              onChangeText={(text) =>
                setWires(wires.map((each, j) => (j === i ? { ...each, colour: text } : each)))
              }
              {...(asked && !colour.trim() && { fault: 'Say which colour it has.' })}
            />
          </View>
        </View>
      ))}
      {!keyed &&
        shared.map(({ colour, at }) => (
          <Type key={colour} weight="strong" tone="warn" testID="shared-colour">
            {colour} sits on {at.map((each) => marked(diagram, each)).join(' and ')}: the colour
            does not tell which is which. Mark them, or tag each before it comes off.
          </Type>
        ))}
      <Button
        icon={keyed ? 'check-square' : 'square'}
        label="One keyed plug: it needs no map"
        testID="keyed"
        selected={keyed}
        onPress={() => setKeyed(!keyed)}
      />
      <Button
        look="act"
        label={label}
        icon="check"
        shortcut="Enter"
        testID="gate-done"
        onPress={done}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  map: { gap: space.m },
  wire: { flexDirection: 'row', alignItems: 'center', gap: space.m, flexWrap: 'wrap' },
  terminal: { minWidth: 48 },
  grow: { flexGrow: 1, flexBasis: 140, maxWidth: '100%' },
});
