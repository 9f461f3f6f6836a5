import { useCallback, useMemo, useState } from 'react';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { drawnSetup } from '../../../core/diagram/setup';
import { drawnShowing } from '../../../core/drawing/showing';
import { sayPoints } from '../../../core/describe/point';
import { sayShownOn } from '../../../core/describe/shown';
import { nameOf } from '../../../core/describe/unit';
import type { ReadAt } from '../../../core/inference/shownUnder';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useShown, useStand } from '../../workers/useShown';
import { LadderView } from '../diagrams/LadderView';
import { useDrawing } from '../diagrams/useDrawing';
import { DiagramPane } from '../diagrams/DiagramPane';
import type { MeterTest, Work } from './useWork';

/** Suspects whose reading is told beside the good one. */
const SHOWN = 4;
const TALL = 340;

/** The drawing as the test in hand has it, with its probes; any two points say what they would show. */
export function WiringPane({ work, test }: { work: Work; test: MeterTest | undefined }) {
  const { diagram } = work.call;
  const drawn = useDrawing(work.key, diagram);
  const [picked, setPicked] = useState<TerminalRef[]>([]);
  const stands = useMemo<ReadAt>(() => {
    if (test?.kind === 'volt') return { steps: test.steps };
    return { setup: { ...(test?.setup ?? drawnSetup(diagram)), except: [] } };
  }, [diagram, test]);
  const asDrawn = useMemo(() => drawnShowing(diagram), [diagram]);
  const showing = useStand(work.key, diagram, stands) ?? asDrawn;
  const at = useMemo(() => test && [test.from, test.to], [test]);
  const probes = picked.length ? picked : (at ?? NO_PROBES);
  const [from, to] = probes;
  const pick = useCallback(
    (ref: TerminalRef): void =>
      setPicked((before) => (before.length === 1 && before[0] !== ref ? [...before, ref] : [ref])),
    [],
  );
  const suspects = (work.findings?.suspects ?? [])
    .filter((each) => each.faults.length)
    .slice(0, SHOWN);
  const faults = [[], ...suspects.map((each) => each.faults)];
  const shown = useShown(work.key, diagram, stands, probes, faults);
  const says = (i: number): string => {
    const one = shown?.[i];
    return one ? sayShownOn(work.meter, one) : '…';
  };
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
          <Type weight="strong">{sayPoints(diagram, from, to)}</Type>
          <Type weight="strong" tone="good" testID="between-good">
            A good unit shows {says(0)}
          </Type>
          {suspects.map(({ id }, i) => (
            <Type key={id} size="small" testID="between-suspect">
              {nameOf(diagram, id)}: {says(i + 1)}
            </Type>
          ))}
        </Card>
      )}
      <DiagramPane diagram={diagram} at={at} />
    </>
  );
}

const NO_PROBES: TerminalRef[] = [];
