import { SLIPS } from '../../../core/diagnose/secondLook';
import { Card } from '../../components/Card';
import { Type } from '../../components/Type';
import type { ReadingEvidence } from '../../../core/diagnose/evidence';
import type { SecondLook as Asked } from '../../../core/diagnose/secondLook';
import { sayEvidence } from './say';
import { OhmTest } from './TestCard';
import type { MeterTest, Work } from './useWork';

/** The same test as that of an earlier reading. */
export const secondLookOf = ({
  from,
  to,
  setup,
  wiggle,
}: ReadingEvidence): Extract<MeterTest, { kind: 'ohm' }> => ({
  kind: 'ohm',
  reach: 'through',
  from,
  to,
  setup,
  wiggle,
});

/** Before anything is named: a reading that fits a slip better than any fault is taken again. */
export function SecondLook({
  work,
  asked,
  reading,
}: {
  work: Work;
  asked: Asked;
  reading: ReadingEvidence;
}) {
  const { shown } = sayEvidence(work.call.diagram, reading);
  return (
    <Card ground="warnGround" edge="warn" testID="second-look">
      <Type size="title" weight="heavy" tone="warn">
        Read this once more
      </Type>
      <Type>
        It showed {shown}. That may be {SLIPS[asked.slip].says}.
      </Type>
      <OhmTest work={work} test={secondLookOf(reading)} />
    </Card>
  );
}
