import { createElement, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { PhotoTable } from '../../../contract/tablePhoto';
import { CELL_STATES } from '../../../core/diagram/cellWords';
import type { PhotoCell } from '../../../core/draft/photoTable';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { radius, space } from '../../theme/theme';
import type { ReadTable } from './useTableFromPhoto';

interface Props {
  table: ReadTable;
  place: { row: number; column: number };
  /** What it is, as a person says. */
  said: (cell: PhotoCell) => void;
}

/** How much of the card's width a cell of the picture takes at most, in pixels. */
const WIDEST = 280;
const LARGER = 1.4;

/** One cell: its piece of the picture, large, and what it says. */
export function PhotoCellCard({ table, place: { row, column }, said }: Props) {
  const cell = table.cells[row]?.[column];
  const [text, setText] = useState(cell?.text ?? '');
  if (!cell) return null;
  const isName = row === 0 || column === 0;
  const position = table.cells[row]?.[0]?.text;
  const contact = table.cells[0]?.[column]?.text;
  const where =
    row === 0
      ? `Contact ${column}: between which terminals?`
      : column === 0
        ? `Position ${row}: what is it called?`
        : `${position || `Position ${row}`}, ${contact || `contact ${column}`}`;
  const say = (word: string): void => said({ mark: 'word', text: word.trim(), doubtful: false });
  return (
    <Card ground="warnGround" testID="photo-cell">
      <Type weight="strong">{where}</Type>
      <Piece photo={table.photo} place={cell.in} says={where} />
      {isName ? (
        <>
          <Field
            label={row === 0 ? 'Two terminals with a hyphen: A-C' : 'As it is said'}
            testID="photo-cell-text"
            value={text}
            onChangeText={setText}
            onSubmitEditing={() => text.trim() && say(text)}
          />
          <Button
            icon="check"
            label="So it is"
            testID="photo-cell-right"
            disabled={!text.trim()}
            onPress={() => say(text)}
          />
        </>
      ) : (
        <View style={styles.row}>
          {CELL_STATES.map((state) => (
            <Button
              key={state}
              label={state}
              testID={`photo-cell-${state}`}
              onPress={() => say(state)}
              style={styles.grow}
            />
          ))}
        </View>
      )}
    </Card>
  );
}

/** A cell cut out of the picture of its table. */
function Piece({
  photo,
  place: { row, column },
  says,
}: {
  photo: PhotoTable;
  place: { row: number; column: number };
  says: string;
}) {
  const { columns, rows } = photo;
  const [x, y] = [columns[column] ?? 0, rows[row] ?? 0];
  const [wide, high] = [(columns[column + 1] ?? x) - x, (rows[row + 1] ?? y) - y];
  const scale = Math.min(LARGER, WIDEST / wide);
  return createElement('div', {
    role: 'img',
    'aria-label': `The picture of: ${says}`,
    'data-testid': 'photo-piece',
    style: {
      width: wide * scale,
      height: high * scale,
      borderRadius: radius.small,
      backgroundImage: `url(data:image/jpeg;base64,${photo.picture})`,
      backgroundSize: `${(columns.at(-1) ?? 0) * scale}px ${(rows.at(-1) ?? 0) * scale}px`,
      backgroundPosition: `${-x * scale}px ${-y * scale}px`,
    },
  });
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
