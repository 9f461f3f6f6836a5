import { useState } from 'react';
import { ActivityIndicator, StyleSheet, View } from 'react-native';
import { sayInputFault } from '../../../contract/problem';
import { CELL_STATES } from '../../../core/diagram/cellWords';
import { rowsOfPhoto, type Legend } from '../../../core/draft/photoTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FileButton } from '../../ui/FileButton';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { PhotoCellCard } from './PhotoCellCard';
import { PhotoGrid } from './PhotoGrid';
import { pinnedSheet } from './SheetPhoto';
import { nextInDoubt, useTableFromPhoto, type ReadTable } from './useTableFromPhoto';

interface Props {
  diagram: Diagram;
  part: SwitchPart;
  change: (to: Diagram) => void;
  done: () => void;
}

/** A contact table is read out of a photo of the sheet; what is doubtful is looked at cell by cell before it is taken. */
export function TableFromPhoto({ diagram, part, change, done }: Props) {
  const photo = useTableFromPhoto(diagram, part);
  const [nonePinned, setNonePinned] = useState(false);
  const { table, tables, state, why } = photo;
  const fromPinned = async (): Promise<void> => {
    const sheet = await pinnedSheet(diagram.id);
    setNonePinned(!sheet);
    if (sheet) await photo.read(sheet);
  };
  const source = (
    <View style={styles.row}>
      <FileButton
        icon="camera"
        label={state === 'none' ? 'Photo of the table' : 'Another photo'}
        testID="photo-of-table"
        field={{
          testID: 'photo-of-table-field',
          name: 'A photo of the contact table',
          accept: 'image/*',
          capture: 'environment',
        }}
        chosen={(file) => void photo.read(file)}
      />
      <Button label="The pinned sheet" testID="photo-pinned" onPress={() => void fromPinned()} />
      <Button icon="x" label="Close" testID="photo-close" onPress={done} />
    </View>
  );
  return (
    <Card testID="from-photo">
      <Type weight="heavy" role="heading" aria-level={3}>
        From a photo of the sheet
      </Type>
      {!table && (
        <Type size="small" tone="soft">
          A table with ruled lines, flat, sharp, and nearly filling the picture. The server reads it
          and keeps nothing of it.
        </Type>
      )}
      {!table && source}
      {nonePinned && (
        <Type size="small" weight="strong" tone="bad" role="alert" testID="photo-none-pinned">
          No sheet is pinned beside this draft.
        </Type>
      )}
      {state === 'reading' && (
        <View style={styles.row} role="status">
          <ActivityIndicator />
          <Type testID="photo-reading">Being read; that takes some seconds.</Type>
        </View>
      )}
      {why.map((each) => (
        <Type key={each} size="small" weight="strong" tone="bad" role="alert" testID="photo-failed">
          {each}
        </Type>
      ))}
      {state === 'read' && !table && (
        <Type weight="strong" tone="bad" role="alert" testID="photo-no-table">
          No table with ruled lines was found: closer, flatter, with more light; or tap the table
          in.
        </Type>
      )}
      {state === 'read' && tables.length > 1 && (
        <OneOf
          label="Tables in this photo, largest first"
          titled
          choices={tables.map(({ cells }, i) => ({
            id: String(i),
            label: `${i + 1}: ${cells.length - 1} by ${(cells[0]?.length ?? 1) - 1}`,
            testID: `photo-table-${i}`,
          }))}
          chosen={String(photo.at)}
          choose={(at) => photo.choose(Number(at))}
        />
      )}
      {state === 'read' && table && (
        <Read
          key={photo.at}
          table={table}
          changeTable={photo.change}
          {...{ diagram, part, change, done }}
        />
      )}
      {table && source}
    </Card>
  );
}

const SIGNS: Record<keyof Legend, string> = {
  blank: 'an empty cell',
  cross: 'a cross',
  filled: 'a dot',
  ring: 'a ring',
  dash: 'a dash',
};

/** What was read: the doubtful cells one by one, what the marks mean, and the whole beside the picture. */
function Read({
  table,
  changeTable,
  diagram,
  part,
  change,
  done,
}: Props & { table: ReadTable; changeTable: (to: ReadTable) => void }) {
  const [opened, setOpened] = useState<{ row: number; column: number }>();
  const [faults, setFaults] = useState<string[]>([]);
  const { left, first } = nextInDoubt(table);
  const rows = rowsOfPhoto(table.cells, table.legend);
  const shown = opened ?? first;
  const take = async (): Promise<void> => {
    const readers = await bringReaders().catch(() => undefined);
    if (!readers) return setFaults([NOT_WHOLE]);
    const pasted = readers.pasteRows(diagram, part.id, rows ?? []);
    if (!pasted.ok) return setFaults(pasted.error.map(sayInputFault));
    change(pasted.value);
    done();
  };
  const card = shown && (
    <PhotoCellCard
      key={`${shown.row} ${shown.column}`}
      table={table}
      place={shown}
      said={(cell) => {
        const cells = table.cells.map((line, row) =>
          line.map((each, column) =>
            row === shown.row && column === shown.column ? { ...each, ...cell } : each,
          ),
        );
        changeTable({ ...table, cells });
        setOpened(undefined);
        setFaults([]);
      }}
    />
  );
  return (
    <>
      <Type weight="strong" testID="photo-left" aria-live="polite">
        {left === 0
          ? 'Compare it with the picture; tap a cell to change it.'
          : `${left} ${left === 1 ? 'cell' : 'cells'} to look at first.`}
      </Type>
      {!opened && card}
      {(Object.keys(table.legend) as (keyof Legend)[]).map((mark) => (
        <OneOf
          key={mark}
          label={`On this sheet ${SIGNS[mark]} is`}
          titled
          choices={CELL_STATES.map((state) => ({
            id: state,
            label: state,
            testID: `legend-${mark}-${state}`,
          }))}
          chosen={table.legend[mark]}
          choose={(state) => changeTable({ ...table, legend: { ...table.legend, [mark]: state } })}
        />
      ))}
      <PhotoGrid table={table} opened={shown} open={setOpened} />
      {opened && card}
      {faults.map((each) => (
        <Type key={each} size="small" weight="strong" tone="bad" role="alert" testID="photo-fault">
          {each}
        </Type>
      ))}
      <Button
        look="act"
        icon="check"
        label={rows || left > 0 ? 'Take this table' : 'Say what the ring means first'}
        testID="photo-take"
        disabled={left > 0 || !rows}
        onPress={() => void take()}
      />
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
});
