import { useEffect, useState } from 'react';
import type { KindMinutes } from '../../../contract/seen';
import { useWho } from '../../state/hooks';
import { fetchMinutes } from '../../sync/api';
import { Bars } from '../../ui/Bars';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';

/** How long finished calls took, by kind of unit; nothing before one is finished, or while the server is away. */
export function KindMinutesCard() {
  const who = useWho();
  const [kinds, setKinds] = useState<KindMinutes[]>([]);
  useEffect(() => {
    let wanted = true;
    fetchMinutes(who).then(
      ({ value }) => {
        if (wanted) setKinds(value);
      },
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [who]);
  if (kinds.length === 0) return null;
  const whole = kinds.map((each) => ({ ...each, minutes: Math.max(1, Math.round(each.minutes)) }));
  return (
    <Card testID="kind-minutes">
      <Type weight="heavy" role="heading" aria-level={2}>
        Minutes that your calls took
      </Type>
      {whole.map(({ kind, calls, minutes }) => (
        <Type key={kind}>
          {kind}: {minutes} min in the mean, {calls} {calls === 1 ? 'call' : 'calls'}
        </Type>
      ))}
      {whole.length > 1 && (
        <Bars bars={whole.map(({ kind, minutes }) => ({ name: kind, value: minutes }))} />
      )}
    </Card>
  );
}
