import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ProbePair } from '../../ui/ProbePair';
import { Type } from '../../ui/Type';
import type { TryTest } from '../../../core/plan/unitTests';
import { ProvedDead } from '../safety/MakeSafe';
import type { Work } from './useWork';

/** After its one try a jumper comes off before anything else is done. */
export function JumperOff({
  work,
  jumper,
}: {
  work: Work;
  jumper: NonNullable<TryTest['jumper']>;
}) {
  return (
    <Card ground="badGround" edge="bad" testID="jumper-still-on">
      <Type size="title" weight="heavy" tone="bad">
        A jumper is still on
      </Type>
      <ProbePair diagram={work.call.diagram} from={jumper[0]} to={jumper[1]} lifted={[]} named />
      <Type>Control off, power off, prove it dead, then take the jumper off.</Type>
      <ProvedDead safe={work.safe} makeSafe={work.makeSafe} />
      <Button
        look="act"
        icon="scissors"
        label="Jumper is off"
        testID="jumper-off"
        disabled={!work.safe}
        onPress={() => work.clip('jumper-off', jumper)}
      />
    </Card>
  );
}
