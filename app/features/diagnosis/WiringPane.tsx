import { useMemo, useState } from 'react';
import { standAfter } from '../../../core/behaviour/run';
import { parseSteps } from '../../../core/behaviour/step';
import { atRest, type Machine } from '../../../core/behaviour/machine';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { drawnSetup } from '../../../core/diagram/setup';
import { showingOf } from '../../../core/drawing/showing';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { LadderView } from '../diagrams/LadderView';
import { sayExpected } from '../diagrams/TeachingBenchPane';
import { useDrawing } from '../diagrams/useDrawing';
import { expectedAt } from '../diagrams/useTeachingBench';
import { DiagramPane } from './DiagramPane';
import { nameOf } from './say';
import type { MeterTest, Work } from './useWork';

/** Suspects whose reading is told beside the good one. */
const SHOWN = 4;
const TALL = 340;

/** The drawing as the test in hand has it, with its probes; any two points say what they would show. */
export function WiringPane({ work, test }: { work: Work; test: MeterTest | undefined }) {
  const { diagram } = work.call;
  const drawn = useDrawing(work.key, diagram);
  const [picked, setPicked] = useState<TerminalRef[]>([]);
  const machine = useMemo(() => machineIn(diagram, test), [diagram, test]);
  const showing = useMemo(() => showingOf(diagram, { machine, loads: {} }), [diagram, machine]);
  const at = test && [test.from, test.to];
  const probes = picked.length ? picked : (at ?? []);
  const [from, to] = probes;
  const pick = (ref: TerminalRef): void =>
    setPicked(picked.length === 1 && picked[0] !== ref ? [...picked, ref] : [ref]);
  const suspects = (work.findings?.suspects ?? []).filter((each) => each.faults.length);
  return (
    <>
      {drawn.state === 'ready' ? (
        <LadderView
          diagram={diagram}
          drawing={drawn.drawing}
          showing={showing}
          probes={probes}
          onPoint={pick}
          height={TALL}
        />
      ) : (
        <Notice
          icon={drawn.state === 'failed' ? 'alert-triangle' : 'loader'}
          title={drawn.state === 'failed' ? 'The drawing cannot be made' : 'Drawing the diagram'}
          testID="drawing"
        />
      )}
      {from !== undefined && to !== undefined && (
        <Card testID="between">
          <Type weight="strong">
            {from} to {to}
          </Type>
          <Type weight="strong" tone="good" testID="between-good">
            A good unit shows {sayExpected(expectedAt(diagram, machine, from, to, []))}
          </Type>
          {suspects.slice(0, SHOWN).map(({ id, faults }) => (
            <Type key={id} size="small" testID="between-suspect">
              {nameOf(diagram, id)}: {sayExpected(expectedAt(diagram, machine, from, to, faults))}
            </Type>
          ))}
        </Card>
      )}
      <DiagramPane diagram={diagram} at={at} />
    </>
  );
}

/** The unit as it stands while a test is read. */
function machineIn(diagram: Diagram, test: MeterTest | undefined): Machine {
  if (test?.kind === 'volt') {
    const steps = parseSteps(diagram, test.steps);
    const stand = standAfter(diagram, steps.ok ? steps.value : []);
    if (stand) return stand.machine;
  }
  return atRest(test?.kind === 'ohm' ? test.setup : drawnSetup(diagram));
}
