import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { owners } from '../../../core/diagram/terminal';
import { ownerOf, type Fault } from '../../../core/fault/fault';
import { nameOfOwner, sayModesIn } from '../../../core/describe/fault';
import { sayDoing } from '../../../core/describe/outcome';
import { sayLast } from '../../../core/describe/use';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import type { ShownComplaint } from '../../workers/diagnosis';

interface Column {
  id: string;
  name: string;
}

/** All wires share a column: each is at fault in its own way, and seldom. */
const WIRES = 'wires';

/** Complaints against the parts that make them: what is wrong with each where they meet. For a wide screen. */
export function ComplaintTable({
  diagram,
  complaints,
}: {
  diagram: Diagram;
  complaints: readonly ShownComplaint[];
}) {
  const palette = useTheme();
  const columns = useMemo(() => columnsOf(diagram, complaints), [diagram, complaints]);
  return (
    <Card testID="complaint-table">
      <View
        style={styles.sideways}
        tabIndex={0}
        role="region"
        aria-label="Complaints against parts"
      >
        <View role="table" aria-label="Complaints against parts" style={styles.table}>
          <View role="row" style={[styles.row, styles.head, { backgroundColor: palette.card }]}>
            <View role="columnheader" style={[styles.first, { backgroundColor: palette.card }]}>
              <Type size="small" weight="strong">
                What is noticed
              </Type>
            </View>
            {columns.map(({ id, name }) => (
              <View key={id} role="columnheader" style={styles.cell}>
                <Type size="small" weight="strong">
                  {name}
                </Type>
              </View>
            ))}
          </View>
          {complaints.map(({ statement: { steps, subject, outcome }, faults }) => (
            <View
              key={`${steps} ${subject} ${outcome}`}
              role="row"
              testID="complaint"
              style={[styles.row, { borderColor: palette.line }]}
            >
              <View role="rowheader" style={[styles.first, { backgroundColor: palette.card }]}>
                <Type size="small" weight="strong">
                  {sayDoing(diagram, subject, outcome)}
                </Type>
                <Type size="small" tone="soft">
                  {sayLast(diagram, steps)}
                </Type>
              </View>
              {columns.map(({ id }) => (
                <View key={id} role="cell" style={styles.cell}>
                  {sayModesIn(
                    diagram,
                    faults.filter((fault) => columnAt(fault) === id),
                  ).map((says) => (
                    <Type key={says} size="small">
                      {says}
                    </Type>
                  ))}
                </View>
              ))}
            </View>
          ))}
        </View>
      </View>
    </Card>
  );
}

const columnAt = (fault: Fault): string => ('wire' in fault ? WIRES : ownerOf(fault));

/** What some complaint points to, in the order of the diagram: supplies, parts, quantities, loops, and all wires in one. */
function columnsOf(diagram: Diagram, complaints: readonly ShownComplaint[]): Column[] {
  const faults = complaints.flatMap((each) => each.faults);
  const named = new Set(faults.flatMap((fault) => ('wire' in fault ? [] : [columnAt(fault)])));
  const known = [...owners(diagram), ...diagram.actuators].map(({ id }) => id);
  const inOrder = new Set([...known.filter((id) => named.has(id)), ...named]);
  const columns = [...inOrder].map((id): Column => ({ id, name: nameOfOwner(diagram, id) ?? id }));
  return faults.some((fault) => 'wire' in fault)
    ? [...columns, { id: WIRES, name: 'Wires' }]
    : columns;
}

/** Stays in sight while the table is moved; React Native has no name for it. */
const sticky = 'sticky' as 'relative';

const styles = StyleSheet.create({
  table: { alignSelf: 'flex-start', minWidth: '100%' },
  head: { position: sticky, top: 0, zIndex: 2 },
  sideways: { overflow: 'scroll', maxHeight: 620 },
  row: {
    flexDirection: 'row',
    alignItems: 'stretch',
    borderTopWidth: 1,
    borderColor: 'transparent',
  },
  first: { width: 220, padding: space.s, position: sticky, left: 0, zIndex: 1 },
  cell: { width: 148, padding: space.s },
});
