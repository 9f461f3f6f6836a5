import ELK from 'elkjs/lib/elk.bundled.js';
import type { LayoutGraph, Layout } from '../../core/drawing/place';

const elk = new ELK();

/** Lays drawings out in this process; the app does it in a worker. */
export const layout: Layout = async (graph) => (await elk.layout(graph)) as LayoutGraph;
