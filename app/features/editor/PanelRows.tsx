import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { addPanel, changePanel, removePanel } from '../../../core/draft/editAround';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LateField, positive } from './LateField';

interface Props {
  diagram: Diagram;
  change: (to: Diagram) => void;
}

/** What is opened to reach parts: by what it is held, and how long that takes. A test costs its minutes once. */
export function PanelRows({ diagram, change }: Props) {
  const [name, setName] = useState('');
  const add = (): void => {
    if (!name.trim()) return;
    change(addPanel(diagram, name.trim()));
    setName('');
  };
  return (
    <Card testID="panels">
      <Type weight="heavy" role="heading" aria-level={2}>
        Panels
      </Type>
      {diagram.panels.map(({ id, name: called, fastener, minutes }) => (
        <View key={id} style={styles.row}>
          <View style={styles.wide}>
            <LateField
              label={`${called}: held by`}
              testID={`panel-fastener-${id}`}
              value={fastener}
              take={(text) => {
                change(changePanel(diagram, id, { fastener: text || 'screws' }));
                return undefined;
              }}
            />
          </View>
          <View style={styles.narrow}>
            <LateField
              label="Minutes"
              testID={`panel-minutes-${id}`}
              numeric
              value={String(minutes)}
              take={(text) => {
                const value = positive(text);
                if (value === undefined) return 'Above zero.';
                change(changePanel(diagram, id, { minutes: value }));
                return undefined;
              }}
            />
          </View>
          <Button
            look="bare"
            icon="x"
            label="Out"
            hint={`There is no panel ${called}`}
            testID={`panel-remove-${id}`}
            onPress={() => change(removePanel(diagram, id))}
          />
        </View>
      ))}
      <Field
        label="Another panel, by its name"
        testID="panel-name"
        value={name}
        onChangeText={setName}
        onSubmitEditing={add}
      />
      <Button icon="plus" label="Add the panel" testID="panel-add" onPress={add} />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'flex-end' },
  wide: { flexGrow: 1, flexBasis: 160 },
  narrow: { width: 88 },
});
