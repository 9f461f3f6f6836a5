import { useState } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { DrawnUnit } from '../diagrams/DrawnUnit';

/** The ladder of what is sound; of what is not, what stands in the way. */
export function DrawnDraft({ diagram, sound }: { diagram: Diagram; sound: boolean }) {
  const [last, setLast] = useState(sound ? diagram : undefined);
  // The last sound one stays in sight while a line is half done.
  if (sound && last !== diagram) setLast(diagram);
  if (!last || !last.wires.length)
    return (
      <Notice
        icon="grid"
        title="Drawn as soon as it can be"
        text="Once a line is there and nothing under Check stands in the way."
        testID="not-drawn"
      />
    );
  return (
    <>
      {last !== diagram && (
        <Type size="small" tone="soft">
          As it was last sound: what is in the way now stands under Check.
        </Type>
      )}
      <DrawnUnit diagram={last} drawingKey={keyOf(last)} height={460} />
    </>
  );
}

/** Drafts have no version yet: each state of one is told apart by what it is. */
const keys = new WeakMap<object, string>();
let count = 0;
export function keyOf(diagram: object): string {
  const key = keys.get(diagram) ?? `draft/${++count}`;
  keys.set(diagram, key);
  return key;
}
