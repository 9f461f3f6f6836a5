import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import type { Work } from './useWork';

interface Props {
  work: Work;
  /** Offers the live reading that answers the same, where there is one. */
  live: (() => void) | undefined;
}

/** Stops the flow before ohms: the unit is made dead and proved so, the first time and after power. */
export function MakeSafe({ work, live }: Props) {
  const { poweredSince } = work;
  return (
    <Card ground="warnGround" edge="warn" testID="make-safe">
      <Type size="title" weight="heavy" tone="warn">
        {poweredSince ? 'Power was on: prove it dead again' : 'Make it safe before the probes'}
      </Type>
      <Type>
        {poweredSince
          ? 'Power off at the plug or the breaker. Until it is proved dead, nobody knows. Ohms and beeper are never used on a live unit.'
          : 'Unplug or lock out. Prove the tester on something live, prove the unit dead, prove the tester again. Discharge what stores energy.'}
      </Type>
      {!poweredSince &&
        work.call.diagram.cautions.map((caution) => (
          <Type key={caution} size="small">
            · {caution}
          </Type>
        ))}
      <ProvedDead work={work} look="act" />
      {poweredSince && live && (
        <Button
          icon="zap"
          label="Leave it on and read volts instead"
          testID="live-instead"
          onPress={live}
        />
      )}
      <Type size="small" tone="soft">
        The maker’s sheet, local codes and licensed practice go before this.
      </Type>
    </Card>
  );
}

/** Says that the unit is dead and proved so, wherever something waits for it. */
export const ProvedDead = ({ work, look }: { work: Work; look?: 'act' }) => (
  <Button
    {...(look && { look })}
    icon="check"
    label="It is dead and proved"
    testID="made-safe"
    disabled={work.safe}
    onPress={work.makeSafe}
  />
);
