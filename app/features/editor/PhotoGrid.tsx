import { createElement } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { isOpenQuestion, stateOfPhotoCell } from '../../../core/draft/photoTable';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { radius, space, touch, useTheme } from '../../theme/theme';
import type { ReadTable } from './useTableFromPhoto';

interface Props {
  table: ReadTable;
  opened: { row: number; column: number } | undefined;
  open: (place: { row: number; column: number }) => void;
}

/** What was read, below the picture that it was read from; a doubtful cell is framed and has a question mark. */
export function PhotoGrid({ table, opened, open }: Props) {
  const palette = useTheme();
  const { photo, cells, legend } = table;
  return (
    <>
      {createElement('img', {
        src: `data:image/jpeg;base64,${photo.picture}`,
        alt: 'The table in the photo, brought flat',
        'data-testid': 'photo-picture',
        style: { maxWidth: '100%', alignSelf: 'flex-start', borderRadius: radius.small },
      })}
      <ScrollView horizontal tabIndex={0} role="region" aria-label="The table as it was read">
        <View role="table" testID="photo-grid">
          {cells.map((line, row) => (
            <View key={line[0]?.in.row ?? row} role="row" style={styles.row}>
              {line.map((cell, column) => {
                const isName = row === 0 || column === 0;
                const state = isName ? undefined : stateOfPhotoCell(cell, legend);
                const asked = isOpenQuestion(cells, row, column);
                const says = isName ? cell.text : (state ?? cell.text);
                const name = isName ? cell.text : `${line[0]?.text}, ${cells[0]?.[column]?.text}`;
                return (
                  <View
                    key={column}
                    role={row === 0 ? 'columnheader' : column === 0 ? 'rowheader' : 'cell'}
                  >
                    <Pressable
                      role="button"
                      accessibilityLabel={`${name}${isName ? '' : `: ${says || 'not known'}`}${asked ? ', in doubt' : ''}`}
                      testID={`photo-at-${row}-${column}`}
                      onPress={() => open({ row, column })}
                      style={[
                        styles.cell,
                        column === 0 && styles.first,
                        {
                          borderColor: asked ? palette.warn : palette.line,
                          backgroundColor: asked
                            ? palette.warnGround
                            : state === 'closed'
                              ? palette.goodGround
                              : palette.card,
                        },
                        asked && styles.asked,
                        opened?.row === row &&
                          opened.column === column && { borderColor: palette.ink },
                      ]}
                    >
                      {state && <ContactGlyph state={state} size={30} />}
                      <Type size="small" weight={isName ? 'mono' : 'text'}>
                        {`${says || (state ? '' : '–')}${asked ? ' ?' : ''}`}
                      </Type>
                    </Pressable>
                  </View>
                );
              })}
            </View>
          ))}
        </View>
      </ScrollView>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: space.xs, paddingVertical: space.xs / 2 },
  cell: {
    width: 74,
    minHeight: touch.key,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1.5,
    borderRadius: radius.small,
    padding: 2,
  },
  first: { width: 104, alignItems: 'flex-start', paddingHorizontal: space.s },
  asked: { borderStyle: 'dashed', borderWidth: 2 },
});
