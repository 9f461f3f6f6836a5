import { sayTerminals } from '../../../core/describe/point';
import type { ReadAt } from '../../../core/inference/shownUnder';
import { Type } from '../../ui/Type';
import { ShownThere } from './ShownThere';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** Suspects whose reading is told beside the good one. */
const SHOWN = 4;

/** What a good unit and each suspect would show at points of one's own, and what makes them a trap. */
export function ExpectedOfOwn({ work, own }: { work: Work; own: OwnReading }) {
  const { test, points } = own;
  if (!test || work.blind) return null;
  const at: ReadAt = test.kind === 'ohm' ? { setup: test.setup } : { steps: test.steps };
  const round =
    test.kind === 'ohm' &&
    !own.alone &&
    !own.out &&
    own.part !== undefined &&
    own.wayRound.length > 0;
  return (
    <>
      <ShownThere work={work} points={points} at={at} most={SHOWN} testID="own" />
      {round && (
        <Type size="small" tone="warn" testID="own-trap">
          With its wires on, what else hangs at it is read as well. Alone it is read with the wires
          off {sayTerminals(work.call.diagram, own.wayRound)}.
        </Type>
      )}
    </>
  );
}
