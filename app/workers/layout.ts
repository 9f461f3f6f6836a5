import ELK from 'elkjs/lib/elk-api.js';
import { drawLadder, type Drawing, type LayoutGraph, type Layout } from '../../core/drawing/place';
import type { Diagram } from '../../core/diagram/diagram';

/** Drawings are laid out beside the page, each once. */
let elk: InstanceType<typeof ELK> | undefined;
const drawings = new Map<string, Promise<Drawing>>();

const layout: Layout = async (graph) => {
  elk ??= new ELK({ workerUrl: '/workers/elk.js' });
  return (await elk.layout(graph)) as LayoutGraph;
};

/** The drawing of a diagram; diagrams with the same key are the same. */
export function drawingOf(key: string, diagram: Diagram): Promise<Drawing> {
  const drawing = drawings.get(key) ?? drawLadder(diagram, layout);
  drawings.set(key, drawing);
  drawing.catch(() => drawings.delete(key));
  return drawing;
}
