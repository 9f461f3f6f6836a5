import {
  itemsOf,
  moveItem,
  readPathLine,
  writeItem,
  writePathLine,
} from '../../../core/draft/pathLine';
import { Sortable } from '../../ui/Sortable';
import { Type } from '../../ui/Type';

interface Props {
  text: string;
  write: (text: string) => void;
}

/** What a line goes through, one below the other, to be put into another order; nothing while it cannot be read. */
export function LineParts({ text, write }: Props) {
  const read = readPathLine(text);
  if (!read.ok) return null;
  const line = read.value;
  const items = itemsOf(line);
  if (items.length < 3) return null;
  const names = items.map((item) => writeItem(item, false));
  return (
    <>
      <Type size="small" tone="soft">
        In the order of the wires: drag by the handle, or the arrow keys on it.
      </Type>
      <Sortable
        items={names.map((name, i) => ({ id: nthOf(names, i), name }))}
        move={(from, to) => write(writePathLine(moveItem(line, from, to), false))}
        row={({ name }) => <Type>{name}</Type>}
      />
    </>
  );
}

/** The same id wherever it stands: a handle that is in hand stays so. The second of one name is another. */
const nthOf = (names: readonly string[], i: number): string => {
  const before = names.slice(0, i).filter((each) => each === names[i]).length;
  return before ? `${names[i]} ${before + 1}` : `${names[i]}`;
};
