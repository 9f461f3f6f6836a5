import { router } from 'expo-router';
import { nameOf, sayFaultOf } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import type { ShownSuspect } from '../../workers/diagnosis';
import type { Work } from './useWork';

/** How sure a call is that ends with nothing found: from memory. */
const NOTHING_FOUND = 0.9;

/** Takes the verdict over: the options, their cost and the customer's choice come next. */
export function TakeOver({ work, suspect }: { work: Work; suspect: ShownSuspect | undefined }) {
  const { diagram, id } = work.call;
  const decide = (): void => {
    const [fault] = suspect?.faults ?? [];
    work.found({
      ...(suspect?.id !== undefined && { part: suspect.id, name: nameOf(diagram, suspect.id) }),
      ...(fault && { mode: fault.mode }),
      says: suspect ? sayFaultOf(diagram, suspect.faults) : 'nothing wrong in this unit',
      chance: suspect?.probability ?? NOTHING_FOUND,
      by: 'unit',
    });
    router.navigate(`/call/${id}/decide`);
  };
  return (
    <Button
      look="act"
      icon="arrow-right"
      label="Decide what is done"
      testID="decide-unit"
      onPress={decide}
    />
  );
}
