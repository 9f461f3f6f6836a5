import { JSDOM } from 'jsdom';
import { LIBRARY } from '../library/library';
import { layout } from '../server/report/layout';
import { runWhole, standAfter, type Stand } from '../core/behaviour/run';
import { parseSteps } from '../core/behaviour/step';
import type { Diagram } from '../core/diagram/diagram';
import { parseFault } from '../core/fault/parseFault';
import { drawLadder, SIZE, type Drawing } from '../core/drawing/place';
import type { Text } from '../core/drawing/shape';
import { boxShapes, lineShapes } from '../core/drawing/shapes';
import { drawnShowing, showingOf } from '../core/drawing/showing';
import { toSvg } from '../core/drawing/svg';
import { ALL, TURN } from './inTurn';

/** Every second of them has its turn. */
const EACH = LIBRARY.filter((_, i) => ALL || i % 2 === TURN % 2).map(
  (diagram) => [diagram.id, diagram] as const,
);

interface Box {
  what: string;
  x: number;
  y: number;
  width: number;
  height: number;
}
const textBox = ({ text, x, y, anchor }: Text): Box => {
  const width = text.length * SIZE.letter;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { what: text, x: left, y: y - 12, width, height: 14 };
};
const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

function overlaps(diagram: Diagram, drawing: Drawing): string[] {
  const showing = drawnShowing(diagram);
  const texts = [
    ...drawing.lines.flatMap((line) => lineShapes(line, showing, 'BK')),
    ...drawing.boxes.flatMap((box) => boxShapes(box, showing)),
  ].flatMap((shape) => (shape.kind === 'text' ? [textBox(shape)] : []));
  const boxes = drawing.boxes.map((box) => ({ what: `box ${box.id}`, ...box }));
  return [...texts, ...boxes].flatMap((one, i, all) =>
    all.slice(i + 1).flatMap((two) => {
      // A part's own words are inside its box.
      const inside = !one.what.startsWith('box') && two.what.startsWith('box');
      const within =
        inside &&
        one.x >= two.x - 1 &&
        one.x + one.width <= two.x + two.width + 1 &&
        one.y >= two.y - 1 &&
        one.y + one.height <= two.y + two.height + 1;
      return !within && overlap(one, two) ? [`${one.what} / ${two.what}`] : [];
    }),
  );
}

describe('the ladder of a diagram', () => {
  it.each(EACH)(
    'has every wire and every contact once, and no words over others: %s',
    async (_id, diagram) => {
      const drawing = await drawLadder(diagram, layout);
      const wires = drawing.lines.flatMap(({ wire, points }) =>
        wire !== undefined && points.length > 1 ? [wire] : [],
      );
      expect(wires.sort()).toEqual(diagram.wires.map((wire) => wire.id).sort());
      const contacts = drawing.boxes.flatMap((box) =>
        box.ways.map((way) => `${box.owner}.${way.key}`),
      );
      for (const part of diagram.parts)
        if (part.kind === 'switch')
          for (const { id } of part.contacts)
            expect(contacts.filter((each) => each === `${part.id}.${id}`)).toHaveLength(1);
      // A wire ends where its terminals are drawn.
      for (const { from, to, points } of drawing.lines)
        for (const [end, point] of [
          [from, points[0]],
          [to, points.at(-1)],
        ] as const) {
          const box = drawing.boxes.find((each) => each.id === end.box);
          const port = box?.ports.find((each) => each.ref === end.ref);
          if (port)
            expect(Math.hypot(port.x - (point?.x ?? 0), port.y - (point?.y ?? 0))).toBeLessThan(1);
        }
      expect(overlaps(diagram, drawing)).toEqual([]);
    },
  );

  it.each(EACH)('is an SVG that a reader of XML takes: %s', async (_id, diagram) => {
    const drawing = await drawLadder(diagram, layout);
    const svg = toSvg(diagram, drawing, drawnShowing(diagram));
    const read = new JSDOM(svg, { contentType: 'image/svg+xml' }).window.document;
    expect(read.querySelector('title')?.textContent).toBe(diagram.name);
    expect(read.querySelectorAll('path').length).toBeGreaterThan(diagram.wires.length);
  });
});

describe('a drawing that is alive', () => {
  const washer = LIBRARY.find((each) => each.id === 'top-load-washer');
  if (!washer) throw new Error('no washer');
  const stand = (
    steps: string,
    fault?: string,
  ): { at: Stand; faults: ReturnType<typeof faultOf> } => {
    const parsed = parseSteps(washer, steps);
    const faults = fault === undefined ? [] : faultOf(fault);
    const at = standAfter(washer, parsed.ok ? parsed.value : [], faults);
    if (!at) throw new Error(steps);
    return { at, faults };
  };
  const faultOf = (text: string) => {
    const parsed = parseFault(washer, text);
    if (!parsed.ok) throw new Error(text);
    return parsed.value;
  };
  const showing = (steps: string, fault?: string) => {
    const { at, faults } = stand(steps, fault);
    return showingOf(washer, at, faults);
  };

  it('draws contacts as they stand, stuck ones as they are stuck', () => {
    expect(showing('lid=open').contacts.get('lid-switch.A')).toBe('open');
    expect(showing('lid=closed').contacts.get('lid-switch.A')).toBe('closed');
    expect(showing('lid=open', 'lid-switch.A:stuck-closed').contacts.get('lid-switch.A')).toBe(
      'closed',
    );
  });

  it.each(EACH)(
    'has current through every load that runs, and through none when unplugged: %s',
    (_id, diagram) => {
      let seen = 0;
      for (const use of diagram.uses ?? []) {
        const parsed = parseSteps(diagram, use.steps);
        const { courses } = runWhole(diagram, parsed.ok ? parsed.value : [], []);
        for (const at of courses.flatMap((course) => course.stands)) {
          const { flows, running } = showingOf(diagram, at);
          for (const id of running.keys()) expect([id, flows.has(id)]).toEqual([id, true]);
          seen += running.size;
        }
      }
      expect(seen).toBeGreaterThan(0);
      expect(drawnShowing(diagram).flows.size).toBe(0);
    },
  );

  it('shows what a fault takes away', () => {
    const running = showing('timer=wash,wait=30');
    expect([...running.running.keys()]).toContain('drive');
    const wire = washer.wires.find(({ to }) => to === 'drive.G')?.id ?? '';
    const broken = showing('timer=wash,wait=30', `${wire}:wire-open`);
    expect(broken.gone.has(wire)).toBe(true);
    expect(broken.running.has('drive')).toBe(false);
  });
});
