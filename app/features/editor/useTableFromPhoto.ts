import { useState } from 'react';
import type { PhotoTable } from '../../../contract/tablePhoto';
import {
  inDoubt,
  likelyLegend,
  runsDown,
  transposed,
  withKnownNames,
  type Legend,
  type PhotoCell,
} from '../../../core/draft/photoTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { useWho } from '../../state/hooks';
import { readTablePhoto } from '../../sync/api';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { scalePhoto, TO_READ } from '../../ui/scalePhoto';

/** A cell with where it is in the picture, however the table was turned since. */
export type SeenCell = PhotoCell & { in: { row: number; column: number } };

/** A table as it was read, and what was said of it since. */
export interface ReadTable {
  photo: PhotoTable;
  /** Positions down, contacts across. */
  cells: SeenCell[][];
  legend: Legend;
}

export interface TableFromPhoto {
  /** What is happening, or went wrong; nothing before the first photo. */
  state: 'none' | 'reading' | 'read' | 'failed';
  why: readonly string[];
  /** The tables of the photo; one of them is looked at. */
  tables: readonly PhotoTable[];
  at: number;
  table: ReadTable | undefined;
  read: (photo: Blob) => Promise<void>;
  choose: (at: number) => void;
  change: (to: ReadTable) => void;
}

const NO_PICTURE =
  'This is no picture that the browser can read: take a photo, or choose a JPEG or PNG.';
const AWAY =
  'The server reads photos, and it is not reached now. Try again when it is back, or tap the table in.';

/** Sends a photo of a sheet to be read, and keeps what was read while it is gone through. */
export function useTableFromPhoto(diagram: Diagram, part: SwitchPart): TableFromPhoto {
  const who = useWho();
  const [state, setState] = useState<TableFromPhoto['state']>('none');
  const [why, setWhy] = useState<string[]>([]);
  const [tables, setTables] = useState<readonly PhotoTable[]>([]);
  const [at, setAt] = useState(0);
  const [table, setTable] = useState<ReadTable>();
  const choose = (of: readonly PhotoTable[], index: number): void => {
    const photo = of[index];
    setAt(index);
    setTable(photo && tableOf(photo, diagram, part));
  };
  const failed = (because: string[]): void => {
    setWhy(because);
    setState('failed');
  };
  const read = async (photo: Blob): Promise<void> => {
    setState('reading');
    setWhy([]);
    const jpeg = await scalePhoto(photo, TO_READ).catch(() => undefined);
    if (jpeg === undefined) return failed([NO_PICTURE]);
    try {
      const found = await readTablePhoto(who, jpeg);
      setTables(found);
      choose(found, 0);
      setState('read');
    } catch (error) {
      failed(sayWhyNot(error, AWAY));
    }
  };
  return {
    ...{ state, why, tables, at, table, read },
    choose: (index) => choose(tables, index),
    change: setTable,
  };
}

function tableOf(photo: PhotoTable, diagram: Diagram, part: SwitchPart): ReadTable {
  const asRead = photo.cells.map((line, row) =>
    line.map((cell, column): SeenCell => ({ ...cell, in: { row, column } })),
  );
  const upright = runsDown(asRead) ? transposed(asRead) : asRead;
  const cells = withKnownNames(upright, diagram, part);
  return { photo, cells, legend: likelyLegend(cells) };
}

/** How many cells are to be looked at before the table can be taken, and the first of them. */
export function nextInDoubt({ cells }: ReadTable): {
  left: number;
  first: { row: number; column: number } | undefined;
} {
  const all = inDoubt(cells);
  return { left: all.length, first: all[0] };
}
