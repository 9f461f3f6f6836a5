import { wireMapOf } from '../../../core/call/ledger';
import { nameOf } from '../../../core/describe/unit';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { Card } from '../../ui/Card';
import { PhotoButton } from '../../ui/PhotoButton';
import { Type } from '../../ui/Type';
import { WireMapCard } from '../ledger/WireMapCard';
import { PhotosOf } from '../photos/PhotoRow';
import type { Work } from './useWork';

/** Before the first wire comes off a part: which sits where, put right by what is there. */
export function MapFirst({
  work,
  part,
  lift,
}: {
  work: Work;
  part: string;
  lift: readonly TerminalRef[];
}) {
  const { diagram, id, entries } = work.call;
  const name = nameOf(diagram, part);
  return (
    <Card edge="warn" testID="map-first">
      <Type size="title" weight="heavy">
        Map first: {name}
      </Type>
      <Type>
        The next reading takes wires off here. Put this map right by what you see before you pull
        anything.
      </Type>
      <PhotoButton callId={id} shows={`Wires of ${name}`} of={part} label="Photo of the wires" />
      <PhotosOf callId={id} of={part} />
      <WireMapCard
        diagram={diagram}
        part={part}
        lift={lift}
        label="Map is right"
        write={({ wires, ...map }) =>
          // What was mapped before stays in it.
          work.writeMap({ ...map, wires: [...(wireMapOf(entries, part)?.wires ?? []), ...wires] })
        }
      />
    </Card>
  );
}
