import { useEffect, useState } from 'react';
import type { CallDetail } from '../../../contract/call';
import { RETURN_DAYS, type SeenBefore } from '../../../contract/seen';
import { useWho } from '../../state/hooks';
import { fetchSeen } from '../../sync/api';
import { Bars } from '../../ui/Bars';
import { Card } from '../../ui/Card';
import { RowLink } from '../../ui/RowLink';
import { sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';

/** What the shop has found in units like this one; nothing where it has not found anything yet. */
export function SeenBeforeCard({ call }: { call: CallDetail }) {
  const callId = call.id;
  const who = useWho();
  const [seen, setSeen] = useState<SeenBefore>();
  useEffect(() => {
    let wanted = true;
    fetchSeen(who, callId).then(
      ({ value }) => {
        if (wanted) setSeen(value);
      },
      // Without it the call is worked as ever.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [who, callId]);
  if (!seen || seen.calls.length === 0) return null;
  const { calls, parts } = seen;
  const same = calls.filter(({ sameModel }) => sameModel).length;
  // What opened one protector opens the next: common practice.
  const protectorsBefore = calls.filter(
    ({ found, sameModel, place }) =>
      sameModel &&
      place === call.appliance.place &&
      call.diagram.parts.some(({ id, kind }) => id === found.part && kind === 'protector'),
  );
  return (
    <Card testID="seen-before">
      {protectorsBefore.map(({ id, found, lastAt }) => (
        <Type key={id} weight="strong" tone="bad" role="alert" testID="protector-before">
          {found.name ?? 'A protector'} of this very unit failed before, {sayWhen(new Date(lastAt))}
          : what opened it may still be there.
        </Type>
      ))}
      <Type weight="heavy" role="heading" aria-level={2}>
        {same ? 'Seen on this model before' : 'Seen on units of this kind before'}
      </Type>
      {parts.map(({ part, name, calls: times, sameModel, cameBack }) => (
        <Type key={part}>
          {name}: {times} {times === 1 ? 'call' : 'calls'}
          {sameModel ? `, ${sameModel} on this model` : ''}
          {cameBack ? `, ${cameBack} came back within ${RETURN_DAYS} days` : ''}
        </Type>
      ))}
      {parts.length > 1 && <Bars bars={parts.map(({ name, calls: value }) => ({ name, value }))} />}
      {calls.slice(0, 3).map(({ id, complaint, place, found, lastAt }) => (
        <RowLink
          key={id}
          href={`/call/${id}`}
          name={`${complaint}, ${place}`}
          testID={`seen-${id}`}
        >
          <Type weight="strong" numberOfLines={2}>
            {complaint}
          </Type>
          <Type size="small" tone="soft" numberOfLines={2}>
            {found.part === undefined ? 'Nothing wrong' : `${found.name ?? 'Found'}: ${found.says}`}{' '}
            · {sayWhen(new Date(lastAt))}
          </Type>
        </RowLink>
      ))}
    </Card>
  );
}
