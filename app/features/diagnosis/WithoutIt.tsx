import { sayRefusal } from '../../../core/describe/refusal';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import type { InHand } from './useInHand';
import type { Work } from './useWork';

/** How the way to the verdict was before something was refused. */
export interface BeforeRefusal {
  /** Minutes that it was expected to take. */
  expected: number;
  /** How much had been refused by then. */
  refusals: number;
}

/** What a refusal costs, once the plan has changed: how much longer it takes without. */
export function WithoutIt({
  work,
  hand,
  before,
}: {
  work: Work;
  hand: InHand;
  before: BeforeRefusal | undefined;
}) {
  const last = work.refusals.at(-1);
  if (!before || !last || work.refusals.length <= before.refusals) return null;
  const said = sayRefusal(work.call.diagram, last);
  const [now] = hand.tests;
  return (
    <Card ground="sunk" testID="without-it" role="status" aria-live="polite">
      <Type>
        {said}. {now ? sayLonger(now.expected - before.expected) : NOTHING_ELSE}
      </Type>
      <Button
        icon="corner-up-left"
        label="Have it back"
        hint={`Have it back: ${said}`}
        testID="without-it-back"
        onPress={() => work.takeBack(last.id)}
      />
    </Card>
  );
}

const NOTHING_ELSE = 'No other test at hand tells the suspects apart.';

const sayLonger = (minutes: number): string =>
  minutes >= 1
    ? `Without it the way to the part takes about ${Math.round(minutes)} min longer.`
    : 'Another way takes hardly longer.';
