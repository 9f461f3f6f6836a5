import { MakeSafe } from '../safety/MakeSafe';
import { ProveMeter } from '../safety/ProveMeter';
import type { Work } from './useWork';

/** What comes before ohms: the unit dead and proved so, then the meter proved, once a visit. */
export function Ready({
  work,
  live,
  active,
}: {
  work: Work;
  live: (() => void) | undefined;
  /** False while it is out of sight. */
  active: boolean;
}) {
  if (work.safe) return <ProveMeter proved={work.proveMeter} active={active} />;
  return (
    <MakeSafe
      diagram={work.call.diagram}
      poweredSince={work.poweredSince}
      makeSafe={work.makeSafe}
      live={live}
    />
  );
}
