import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import type { InHand } from './useInHand';
import type { Work } from './useWork';

/** Where the visit has an end: whether the way to the part fits into what is left of it. */
export function TimeLeft({ work, hand: { tests, again } }: { work: Work; hand: InHand }) {
  const { minutesLeft, findings } = work;
  const open = findings?.verdict.kind === 'open' || findings?.verdict.kind === 'group';
  if (minutesLeft === undefined || !open || again) return null;
  const left = Math.floor(minutesLeft);
  const takes = tests[0] && Math.max(1, Math.round(tests[0].expected));
  if (takes !== undefined && takes <= left)
    return (
      <Type size="small" tone="soft" testID="time-left">
        {left} min left, about {takes} to the part.
      </Type>
    );
  return (
    <Card ground="warnGround" edge="warn" testID="time-short" role="status" aria-live="polite">
      <Type weight="strong">
        {takes === undefined
          ? `No test that tells more fits into the ${left} min that are left.`
          : `${left} min left, about ${takes} to the part: it may take another visit.`}
      </Type>
      <Type size="small">
        Keep time for putting back: wires by the map, no jumper on, panels on, tried once. What is
        known stays in the call.
      </Type>
      <Button
        icon="clock"
        label="There is time after all"
        testID="time-no-end"
        onPress={() => work.setMinutesLeft(undefined)}
      />
    </Card>
  );
}
