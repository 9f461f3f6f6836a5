import { saySlipAsks } from '../../../core/describe/slip';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { sayEvidence } from '../../../core/describe/unit';
import { OhmCard } from './TestCard';
import type { Again } from './useInHand';
import type { Work } from './useWork';

/** Before anything is named: a reading that fits a slip better than any fault is taken again. */
export function SecondLookCard({ work, again }: { work: Work; again: Again }) {
  const { shown } = sayEvidence(work.call.diagram, again.reading);
  return (
    <Card ground="warnGround" edge="warn" testID="second-look">
      <Type size="title" weight="heavy" tone="warn">
        Read this once more
      </Type>
      <Type>
        It showed {shown}. {saySlipAsks(work.call.diagram, again.slip, again.test.setup)}
      </Type>
      <OhmCard work={work} test={again.test} good={work.blind ? undefined : again.good} />
    </Card>
  );
}
