import { JumperOff } from './JumperOff';
import { LiveScript } from './LiveScript';
import { Ready } from './Ready';
import { OwnReadingCard } from './OwnReadingCard';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** A reading of one's own, under the same rules as any: dead and proved for ohms, by the script for volts. */
export function OwnReadingPane({
  work,
  own,
  done,
  active,
}: {
  work: Work;
  own: OwnReading;
  done: () => void;
  active: boolean;
}) {
  const { test } = own;
  if (work.jumper) return <JumperOff work={work} jumper={work.jumper.between} />;
  return (
    <>
      <OwnReadingCard work={work} own={own} done={done} />
      {test?.kind === 'ohm' && !(work.safe && work.meterProved) && (
        <Ready work={work} live={undefined} active={active} />
      )}
      {test?.kind === 'volt' && !own.clear && (
        <LiveScript
          key={`${test.from} ${test.to} ${test.steps}`}
          work={work}
          test={test}
          good={undefined}
          ready={() => own.say({ clear: true })}
        />
      )}
    </>
  );
}
