import { useMemo } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import { drawnShowing } from '../../../core/drawing/showing';
import { LadderView } from './LadderView';
import { useDrawing } from './useDrawing';

interface Props {
  diagram: Diagram;
  drawingKey: string;
  /** Height of the window that the drawing is moved in. */
  height: number;
}

/** A unit as it is drawn, beside what is asked of it; nothing until it is laid out. */
export function DrawnUnit({ diagram, drawingKey, height }: Props) {
  const drawn = useDrawing(drawingKey, diagram);
  const showing = useMemo(() => drawnShowing(diagram), [diagram]);
  if (drawn.state !== 'ready') return null;
  return (
    <LadderView
      diagram={diagram}
      drawing={drawn.drawing}
      showing={showing}
      probes={NO_PROBES}
      height={height}
    />
  );
}

const NO_PROBES: readonly [] = [];
