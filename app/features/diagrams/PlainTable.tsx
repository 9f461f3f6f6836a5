import { StyleSheet, View } from 'react-native';
import { cellState } from '../../../core/diagram/contactTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { sayPosition } from '../../../core/describe/position';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { saveTable } from '../../ui/saveTable';
import { space, useTheme } from '../../theme/theme';
import { printTable } from './printTable';

/** The contact table of a switch: every contact drawn as it stands in every position. */
export function PlainTable({ diagram, part }: { diagram: Diagram; part: SwitchPart }) {
  const palette = useTheme();
  const print = (): void => printTable(diagram, part);
  const save = (): Promise<void> => saveTable(diagram, part);
  return (
    <Card testID={`table-${part.id}`}>
      <Type weight="heavy" role="heading" aria-level={2}>
        {part.name}
      </Type>
      <View style={styles.sideways} tabIndex={0} role="region" aria-label={`Table of ${part.name}`}>
        <View role="table" aria-label={part.name}>
          <View style={styles.row} role="row">
            <Type size="small" weight="strong" style={styles.position} role="columnheader">
              Position
            </Type>
            {part.contacts.map(({ id, between: [a, b] }) => (
              <Type
                key={id}
                size="small"
                weight="mono"
                style={styles.cell}
                role="columnheader"
              >{`${a}-${b}`}</Type>
            ))}
          </View>
          {part.table.rows.map((row) => (
            <View key={row.position} style={[styles.row, { borderColor: palette.line }]} role="row">
              <Type size="small" style={styles.position} role="rowheader">
                {sayPosition(diagram, part.actuator, row.position)}
              </Type>
              {part.contacts.map(({ id }) => {
                const state = cellState(part, id, row.position);
                return (
                  <View key={id} style={styles.cell} role="cell" aria-label={state}>
                    <ContactGlyph state={state} size={36} />
                    <Type size="small">{state}</Type>
                  </View>
                );
              })}
            </View>
          ))}
        </View>
      </View>
      <View style={styles.tools}>
        <Button icon="printer" label="Print" testID={`print-${part.id}`} onPress={print} />
        <Button icon="download" label="CSV" testID={`csv-${part.id}`} onPress={() => void save()} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  sideways: { overflow: 'scroll' },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    borderTopWidth: 1,
    borderColor: 'transparent',
  },
  position: { width: 150, paddingVertical: space.s },
  cell: { width: 72, alignItems: 'center', paddingVertical: space.xs, textAlign: 'center' },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
