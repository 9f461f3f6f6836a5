import type { TerminalRef } from '../../../core/diagram/diagram';
import { sayShownOn } from '../../../core/describe/shown';
import { nameOf } from '../../../core/describe/unit';
import type { ReadAt } from '../../../core/inference/shownUnder';
import { Type } from '../../ui/Type';
import { useShown } from '../../workers/useShown';
import type { Work } from './useWork';

interface Props {
  work: Work;
  points: readonly TerminalRef[];
  at: ReadAt;
  /** Suspects whose reading is told beside the good one. */
  most: number;
  testID: string;
}

/** What a good unit and each suspect would show at two points, or that it tells nothing; nothing of it to who reads blind. */
export function ShownThere({ work, points, at, most, testID }: Props) {
  const { diagram } = work.call;
  const suspects = (work.findings?.suspects ?? [])
    .filter(({ faults }) => faults.length > 0)
    .slice(0, most);
  const faults = [[], ...suspects.map((each) => each.faults)];
  const shown = useShown(work.key, diagram, at, points, faults);
  if (work.blind) return null;
  const says = shown?.map((each) => sayShownOn(work.meter, each));
  const [good] = says ?? [];
  const same = says !== undefined && says.length > 1 && says.every((each) => each === good);
  return (
    <>
      <Type weight="strong" tone="good" testID={`${testID}-good`}>
        A good unit shows {good ?? '…'}
      </Type>
      {same ? (
        <Type weight="strong" tone="warn" testID={`${testID}-tells-nothing`}>
          It tells nothing now: all suspects read the same here.
        </Type>
      ) : (
        suspects.map(({ id }, i) => (
          <Type key={id} size="small" testID={`${testID}-suspect`}>
            {nameOf(diagram, id)}: {says?.[i + 1] ?? '…'}
          </Type>
        ))
      )}
    </>
  );
}
