import { useEffect, useState } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import type { Drawing } from '../../../core/drawing/place';
import { drawingOf } from '../../workers/layout';

export type DrawingState =
  { state: 'loading' } | { state: 'failed'; why: string } | { state: 'ready'; drawing: Drawing };

/** The drawing of a diagram, once it is laid out. */
export function useDrawing(key: string, diagram: Diagram): DrawingState {
  const [drawn, setDrawn] = useState<{ key: string; result: DrawingState }>();
  useEffect(() => {
    let wanted = true;
    const take = (result: DrawingState): void => {
      if (wanted) setDrawn({ key, result });
    };
    drawingOf(key, diagram).then(
      (drawing) => take({ state: 'ready', drawing }),
      (error: Error) => take({ state: 'failed', why: error.message }),
    );
    return () => {
      wanted = false;
    };
  }, [key, diagram]);
  return drawn?.key === key ? drawn.result : { state: 'loading' };
}
