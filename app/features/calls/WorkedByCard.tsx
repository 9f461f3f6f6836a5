import type { CallDetail } from '../../../contract/call';
import { differing, workedBy, type Differing } from '../../../core/call/workedBy';
import { useAppSelector } from '../../state/hooks';
import { Card } from '../../ui/Card';
import { sayTime, sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';

const FIELDS: Record<Differing['field'], string> = {
  complaint: 'The complaint',
  make: 'The make',
  model: 'The model',
  place: 'The place',
  customer: 'The customer',
  diagramId: 'The diagram',
};

/** Who worked on a call, where more than one did, and what they wrote differently: both are shown it, and that the last counts. */
export function WorkedByCard({ call }: { call: CallDetail }) {
  const people = workedBy(call.entries);
  const diagrams = useAppSelector((state) => state.diagrams.list);
  const nameOf = (id: string): string => diagrams.find((each) => each.id === id)?.name ?? id;
  if (people.length < 2) return null;
  return (
    <Card testID="worked-by">
      <Type weight="heavy" role="heading" aria-level={2}>
        Worked on by {people.length}
      </Type>
      {people.map(({ name, entries, last }) => (
        <Type key={name}>
          {name}: {entries} {entries === 1 ? 'entry' : 'entries'}, last {sayWhen(new Date(last))}
        </Type>
      ))}
      {differing(call.entries).map(({ field, said }) => (
        <Card key={field} ground="warnGround" edge="warn" testID={`differing-${field}`}>
          <Type weight="strong">{FIELDS[field]} was written differently</Type>
          {said.map(({ by, at, value }, i) => (
            <Type key={by} weight={i === said.length - 1 ? 'strong' : undefined}>
              {by}, {sayTime(new Date(at))}: {field === 'diagramId' ? nameOf(value) : value}
              {i === said.length - 1 ? ' (this one counts)' : ''}
            </Type>
          ))}
        </Card>
      ))}
    </Card>
  );
}
