import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { addRail, addSupply, changeSupply, setSupplyKind } from '../../../core/draft/editAround';
import { removeOwner, rename, renameTerminal } from '../../../core/draft/edit';
import type { Diagram, Supply, SupplyKind } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LateField, positive } from './LateField';

const KINDS: Record<SupplyKind, string> = {
  mains: 'One hot, neutral',
  'split-phase': 'Two hots, opposed',
  'wye-legs': 'Two legs of a wye',
  'low-voltage-ac': 'Low volts AC',
  dc: 'Battery, adapter',
  thermopile: 'Thermopile',
  thermocouple: 'Thermocouple',
};

interface Props {
  diagram: Diagram;
  change: (to: Diagram) => void;
}

/** What feeds the unit: each supply with its kind, volts, rating and rails, and one more where there are several. */
export function SupplyRows({ diagram, change }: Props) {
  const [opened, open] = useState<string>();
  return (
    <Card testID="supplies">
      <Type weight="heavy" role="heading" aria-level={2}>
        What feeds it
      </Type>
      {diagram.supplies.map((supply) => (
        <View key={supply.id} style={styles.supply}>
          <Button
            icon="zap"
            label={`${supply.name}: ${supply.volts} V, ${supply.terminals.map(({ id }) => id).join(' ')}`}
            testID={`supply-${supply.id}`}
            selected={opened === supply.id}
            onPress={() => open(opened === supply.id ? undefined : supply.id)}
          />
          {opened === supply.id && <SupplyForm diagram={diagram} supply={supply} change={change} />}
        </View>
      ))}
      <Button
        icon="plus"
        label="A supply"
        testID="supply-add"
        onPress={() => {
          const { draft, id } = addSupply(diagram, 'low-voltage-ac', 'Control supply');
          change(draft);
          open(id);
        }}
      />
    </Card>
  );
}

function SupplyForm({ diagram, supply, change }: Props & { supply: Supply }) {
  const { id, amps, volts } = supply;
  const numbers = (field: 'volts' | 'amps') => (text: string) => {
    const value = positive(text);
    if (value === undefined) return 'A number above zero.';
    change(changeSupply(diagram, id, (each) => ({ ...each, [field]: value, known: 'sheet' })));
    return undefined;
  };
  const ground = supply.terminals.some((each) => each.id === 'G');
  const house =
    supply.kind === 'mains' || supply.kind === 'split-phase' || supply.kind === 'wye-legs';
  return (
    <>
      <LateField
        label="What it is called"
        testID="supply-name"
        value={supply.name}
        take={(name) => {
          if (!name) return 'A supply needs a name.';
          change(rename(diagram, id, name));
          return undefined;
        }}
      />
      <OneOf
        label="Kind of supply"
        titled
        choices={(Object.keys(KINDS) as SupplyKind[]).map((kind) => ({
          id: kind,
          label: KINDS[kind],
          testID: `supply-kind-${kind}`,
        }))}
        chosen={supply.kind}
        choose={(kind) => change(setSupplyKind(diagram, id, kind))}
      />
      <View style={styles.row}>
        <View style={styles.half}>
          <LateField
            label="Volts"
            testID="supply-volts"
            numeric
            value={String(volts)}
            take={numbers('volts')}
          />
        </View>
        <View style={styles.half}>
          <LateField
            label="Breaker or fuse ahead, A"
            testID="supply-amps"
            numeric
            value={amps === undefined ? '' : String(amps)}
            take={numbers('amps')}
          />
        </View>
      </View>
      <View style={styles.row}>
        {supply.terminals.map((terminal) => (
          <View key={terminal.id} style={styles.rail}>
            <LateField
              label={`Rail ${terminal.id}`}
              testID={`rail-${terminal.id}`}
              value={terminal.id}
              take={(to) => {
                if (!/^[A-Za-z0-9_+-]{1,40}$/.test(to)) return 'Letters and figures.';
                if (supply.terminals.some((each) => each.id === to))
                  return `There is a ${to} already.`;
                change(renameTerminal(diagram, id, terminal.id, to));
                return undefined;
              }}
            />
          </View>
        ))}
      </View>
      <View style={styles.row}>
        {house && !ground && (
          <Button
            icon="plus"
            label="Its ground"
            testID="rail-ground"
            onPress={() => change(addRail(diagram, id, 'G'))}
          />
        )}
        <Button
          icon="trash-2"
          label="Take it out"
          testID="supply-remove"
          onPress={() => change(removeOwner(diagram, id))}
        />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  supply: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  half: { flexGrow: 1, flexBasis: 120 },
  rail: { width: 96 },
});
