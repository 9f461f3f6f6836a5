import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { cellState } from '../../../core/diagram/contactTable';
import type { CellState, Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { positionsOf } from '../../../core/diagram/setup';
import { sayPosition } from '../../../core/describe/position';
import { copyRow, setCell } from '../../../core/draft/editTable';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Icon } from '../../ui/Icon';
import { Type } from '../../ui/Type';
import { radius, space, touch, useTheme } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  part: SwitchPart;
  change: (to: Diagram) => void;
}

/** What a tap on a cell makes of it. */
const AFTER: Record<CellState, CellState> = { open: 'closed', closed: 'either', either: 'open' };

/** The contact table as a grid to tap: positions down, contacts across; open, closed, either by turns. */
export function TableGrid({ diagram, part, change }: Props) {
  const palette = useTheme();
  const positions = positionsOf(diagram, part);
  return (
    <ScrollView horizontal tabIndex={0} role="region" aria-label={`Contact table of ${part.name}`}>
      <View role="table" testID={`grid-${part.id}`}>
        <View style={styles.row} role="row">
          <View style={styles.first} role="columnheader">
            <Type size="small" tone="soft">
              tap a cell
            </Type>
          </View>
          {part.contacts.map(({ id, between }) => (
            <View key={id} style={styles.head} role="columnheader">
              <Type size="small" weight="mono">
                {between.join('–')}
              </Type>
            </View>
          ))}
          <View style={styles.head} role="columnheader">
            <Type size="small" tone="soft">
              copy
            </Type>
          </View>
        </View>
        {positions.map((position, i) => {
          const above = positions[i - 1];
          const says = sayPosition(diagram, part.actuator, position);
          return (
            <View key={position} style={[styles.row, { borderColor: palette.line }]} role="row">
              <View style={styles.first} role="rowheader">
                <Type size="small" weight="strong">
                  {says}
                </Type>
              </View>
              {part.contacts.map(({ id, between }) => {
                const state = cellState(part, id, position);
                return (
                  <View key={id} role="cell">
                    <Pressable
                      role="button"
                      accessibilityLabel={`${between.join(' to ')}, ${says}: ${state}`}
                      testID={`set-${id}-${position}`}
                      onPress={() => change(setCell(diagram, part.id, position, id, AFTER[state]))}
                      style={[
                        styles.cell,
                        {
                          borderColor: palette.line,
                          backgroundColor: state === 'closed' ? palette.goodGround : palette.card,
                        },
                      ]}
                    >
                      <ContactGlyph state={state} size={36} />
                      <Type size="small">{state}</Type>
                    </Pressable>
                  </View>
                );
              })}
              <View role="cell" style={styles.copy}>
                {above !== undefined && (
                  <Pressable
                    role="button"
                    accessibilityLabel={`${says}: the same as ${sayPosition(diagram, part.actuator, above)}`}
                    testID={`copy-${position}`}
                    onPress={() => change(copyRow(diagram, part.id, above, position))}
                    style={styles.copyAbove}
                  >
                    <Icon name="copy" size={22} color={palette.ink} />
                    <Type size="small">as above</Type>
                  </Pressable>
                )}
              </View>
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', borderTopWidth: 1, borderColor: 'transparent', gap: space.xs },
  first: { width: 92, justifyContent: 'center', paddingVertical: space.s },
  head: { width: 74, alignItems: 'center', justifyContent: 'flex-end', paddingBottom: space.xs },
  cell: {
    width: 74,
    minHeight: touch.key,
    marginVertical: space.xs,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1.5,
    borderRadius: radius.small,
  },
  copy: { justifyContent: 'center' },
  copyAbove: { width: 68, minHeight: 48, alignItems: 'center', justifyContent: 'center' },
});
