import { sayTerminals } from '../../../core/describe/point';
import { sayShownOn } from '../../../core/describe/shown';
import { nameOf } from '../../../core/describe/unit';
import type { ReadAt } from '../../../core/inference/shownUnder';
import { Type } from '../../ui/Type';
import { useShown } from '../../workers/useShown';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** Suspects whose reading is told beside the good one. */
const SHOWN = 4;

/** What a good unit and each suspect would show at points of one's own, and what makes them a trap. */
export function ExpectedOfOwn({ work, own }: { work: Work; own: OwnReading }) {
  const { diagram } = work.call;
  const { test, points } = own;
  const at: ReadAt =
    test?.kind === 'ohm' ? { setup: test.setup } : { steps: own.live ?? 'power=on' };
  const suspects = (work.findings?.suspects ?? [])
    .filter(({ faults }) => faults.length > 0)
    .slice(0, SHOWN);
  const shown = useShown(work.key, diagram, at, points, [
    [],
    ...suspects.map((each) => each.faults),
  ]);
  if (!test || work.blind) return null;
  const says = shown?.map((each) => sayShownOn(work.meter, each));
  const [good] = says ?? [];
  const same = says !== undefined && says.every((each) => each === good);
  const round =
    test.kind === 'ohm' &&
    !own.alone &&
    !own.out &&
    own.part !== undefined &&
    own.wayRound.length > 0;
  return (
    <>
      <Type weight="strong" tone="good" testID="own-good">
        A good unit shows {good ?? '…'}
      </Type>
      {same ? (
        <Type weight="strong" tone="warn" testID="own-tells-nothing">
          It tells nothing now: all suspects read the same here.
        </Type>
      ) : (
        suspects.map(({ id }, i) => (
          <Type key={id} size="small" testID="own-suspect">
            {nameOf(diagram, id)}: {says?.[i + 1] ?? '…'}
          </Type>
        ))
      )}
      {round && (
        <Type size="small" tone="warn" testID="own-trap">
          With its wires on, what else hangs at it is read as well. Alone it is read with the wires
          off {sayTerminals(diagram, own.wayRound)}.
        </Type>
      )}
    </>
  );
}
