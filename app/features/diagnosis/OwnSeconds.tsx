import { useState } from 'react';
import { MOST_SECONDS } from '../../../contract/limits';
import { outcomeByClock } from '../../../core/behaviour/onAndOff';
import { isNoticed } from '../../../core/behaviour/statement';
import { nameSeen, sayDoing } from '../../../core/describe/outcome';
import { saySeconds } from '../../../core/describe/unit';
import { momentsOf } from '../../../core/describe/use';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import type { Work } from './useWork';

/** How long something is on and off at a time, with the controls at rest there: a clock is held to it. */
export function OwnSeconds({ work, done }: { work: Work; done: () => void }) {
  const { diagram } = work.call;
  const moments = momentsOf(diagram);
  const [of, setOf] = useState<string>();
  const [steps = moments[0]?.steps, setSteps] = useState<string>();
  const [text, setText] = useState({ on: '', off: '' });
  const loads = diagram.parts.filter((part) => part.kind === 'load' && isNoticed(part));
  const seconds = { on: secondsOf(text.on), off: secondsOf(text.off) };
  const outcome =
    of !== undefined && steps !== undefined && seconds.on >= 0 && seconds.off >= 0
      ? outcomeByClock(diagram, steps, of, seconds)
      : undefined;
  const enter = (): void => {
    if (of === undefined || steps === undefined || outcome === undefined) return;
    work.tell('seen', steps, of, outcome, { seconds });
    done();
  };
  return (
    <>
      <OneOf
        titled
        label="What comes and goes"
        choices={loads.map(({ id }) => ({
          id,
          label: nameSeen(diagram, id),
          testID: `seconds-of-${id}`,
        }))}
        chosen={of}
        choose={setOf}
      />
      <OneOf
        titled
        label="When"
        choices={moments.map((each) => ({
          id: each.steps,
          label: each.says,
          testID: `seconds-when-${each.steps}`,
        }))}
        chosen={steps}
        choose={setSteps}
      />
      <Field
        label="Seconds on at a time; 0 if never"
        testID="seconds-on"
        inputMode="decimal"
        value={text.on}
        onChangeText={(on) => setText({ ...text, on })}
      />
      <Field
        label="Seconds off at a time; 0 if never"
        testID="seconds-off"
        inputMode="decimal"
        value={text.off}
        onChangeText={(off) => setText({ ...text, off })}
        onSubmitEditing={enter}
        {...(badly(text.on, text.off) && {
          fault: 'Say both in seconds, such as 5 and 25; one of them may be 0.',
        })}
      />
      {of !== undefined && outcome !== undefined && (
        <Type weight="strong" testID="seconds-say">
          {sayDoing(diagram, of, outcome)}: {saySeconds(seconds)}.
        </Type>
      )}
      <Button
        look="act"
        icon="check"
        label="So it was seen"
        testID="seconds-enter"
        disabled={outcome === undefined}
        onPress={enter}
      />
    </>
  );
}

/** NaN for what is no number of seconds. */
const secondsOf = (text: string): number => {
  const value = text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'));
  return value >= 0 && value <= MOST_SECONDS ? value : NaN;
};

/** Whether both are said, and not as seconds. */
const badly = (on: string, off: string): boolean => {
  if (!on.trim() || !off.trim()) return false;
  const [a, b] = [secondsOf(on), secondsOf(off)];
  return !(a + b > 0);
};
