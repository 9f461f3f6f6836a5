import type { Diagram, Part } from '../diagram/diagram';
import { ownerOf, type Fault } from '../fault/modes';
import { UseRuns, type UseRun } from '../behaviour/useRuns';

/** One explanation of all that is known of a unit. */
export interface UnitHypothesis {
  /** Id of what would be replaced or put right; undefined where nothing in this diagram is wrong. */
  suspect: string | undefined;
  /** What went wrong by itself: one fault, or two where one alone explains badly. */
  causes: Fault[];
  /** The causes, and what they have opened for good: a blown fuse, a tripped breaker. */
  faults: Fault[];
  prior: number;
  /** What the unit does in its uses then. */
  uses: UseRun;
}

/** Nothing wrong in this unit: a customer's error, the house, another branch. From memory. */
const NOTHING = 0.05;

/** Weights of whole parts where the diagram has none: common practice, no source. */
const PART_WEIGHT: Record<Part['kind'] | 'supply' | 'wire', number> = {
  switch: 1,
  load: 1,
  protector: 1,
  board: 1,
  connection: 0.3,
  hardware: 0.6,
  supply: 0.6,
  wire: 0.12,
};

/** Share of each mode in the failures of a part; from memory, shared out over its places. */
const SHARE = {
  'stuck-open': 0.38,
  'stuck-closed': 0.2,
  resistive: 0.16,
  leaking: 0.03,
  intermittent: 0.08,
  'not-actuated': 0.15,
} as const;

const exactly = (low: number, nominal: number, high: number) => ({ low, nominal, high });
/**
 * What makes badly, in two sizes that a circuit takes differently: some ohm, lost in a long way but
 * felt by a heater, and more than any load; and an open contact that leaks. From memory.
 */
const RESISTIVE = [exactly(1.5, 12, 30), exactly(30, 5_000, 2e6)];
const LEAKING = exactly(500, 100_000, 10e6);
const LOOSE = [exactly(1.5, 12, 30), exactly(30, 5_000, 2e5)];

type Weighted = [fault: Fault, share: number];

function faultsOf(part: Part): Weighted[] {
  const id = part.id;
  switch (part.kind) {
    case 'switch': {
      const n = part.contacts.length;
      const list = part.contacts.flatMap((contact): Weighted[] => {
        const place = { part: id, contact: contact.id };
        return [
          [{ mode: 'stuck-open', ...place }, SHARE['stuck-open'] / n],
          [{ mode: 'stuck-closed', ...place }, SHARE['stuck-closed'] / n],
          ...RESISTIVE.map((ohms): Weighted => {
            return [{ mode: 'resistive', ...place, ohms }, SHARE.resistive / n / RESISTIVE.length];
          }),
          [{ mode: 'leaking', ...place, ohms: LEAKING }, SHARE.leaking / n],
          [{ mode: 'intermittent', ...place }, SHARE.intermittent / n],
        ];
      });
      list.push([{ mode: 'not-actuated', part: id, stays: part.free }, SHARE['not-actuated']]);
      if (part.reset) list.push([{ mode: 'tripped', part: id }, 0.3]);
      return list;
    }
    case 'load': {
      const n = part.elements.length;
      const list = part.elements.flatMap((element): Weighted[] => [
        [{ mode: 'open', part: id, element: element.id }, 0.8 / n],
        [{ mode: 'shorted', part: id, element: element.id }, 0.08 / n],
        [{ mode: 'part-shorted', part: id, element: element.id }, 0.05 / n],
      ]);
      if (part.load === 'motor') list.push([{ mode: 'seized', part: id }, 0.15]);
      return list;
    }
    case 'protector':
      return [[{ mode: part.protector === 'overload' ? 'tripped' : 'blown', part: id }, 1]];
    case 'board':
      return part.logic ? [[{ mode: 'no-output', part: id }, 1]] : [];
    case 'hardware':
      return [[{ mode: 'broken', part: id }, 1]];
    case 'connection':
      return [];
  }
}

/** Every single fault in its typical sizes with its weight, and "nothing wrong", with what each has opened for good. @param progress hears the share that is done */
export function unitHypotheses(
  diagram: Diagram,
  progress: (share: number) => void = () => undefined,
): UnitHypothesis[] {
  const list: { suspect: string; fault: Fault; weight: number }[] = [];
  for (const part of diagram.parts) {
    const whole = part.prior?.weight ?? PART_WEIGHT[part.kind];
    for (const [fault, share] of faultsOf(part))
      list.push({ suspect: part.id, fault, weight: whole * share });
  }
  for (const { id } of diagram.supplies) {
    list.push({
      suspect: id,
      fault: { mode: 'dead', supply: id },
      weight: PART_WEIGHT.supply * 0.8,
    });
    list.push({
      suspect: id,
      fault: { mode: 'weak', supply: id },
      weight: PART_WEIGHT.supply * 0.2,
    });
  }
  for (const wire of diagram.wires) {
    const at = wire.from.indexOf('.');
    const end = { part: wire.from.slice(0, at), terminal: wire.from.slice(at + 1) };
    list.push({
      suspect: wire.id,
      fault: { mode: 'wire-open', wire: wire.id },
      weight: PART_WEIGHT.wire * 0.6,
    });
    const single = diagram.wires.every(
      (each) => each === wire || (each.from !== wire.from && each.to !== wire.from),
    );
    if (single)
      for (const ohms of LOOSE)
        list.push({
          suspect: wire.id,
          fault: { mode: 'loose', ...end, ohms },
          weight: (PART_WEIGHT.wire * 0.4) / LOOSE.length,
        });
  }
  const total = list.reduce((sum, each) => sum + each.weight, 0);
  const runs = new UseRuns(diagram);
  return [
    { suspect: undefined, causes: [], faults: [], prior: NOTHING, uses: runs.of([]) },
    ...list.map(({ suspect, fault, weight }, i) => {
      const uses = runs.of([fault]);
      progress((i + 1) / list.length);
      const caused = consequencesOf(diagram, uses, [fault]);
      return {
        suspect,
        causes: [fault],
        faults: [fault, ...caused],
        prior: ((1 - NOTHING) * weight) / total,
        uses,
      };
    }),
  ];
}

/** What a use has opened for good is found open beside its cause. */
export function consequencesOf(
  diagram: Diagram,
  { opened }: UseRun,
  causes: readonly Fault[],
): Fault[] {
  const own = causes.map(ownerOf);
  return diagram.parts.flatMap((part): Fault[] =>
    part.kind === 'protector' &&
    part.protector !== 'overload' &&
    opened.has(part.id) &&
    !own.includes(part.id)
      ? [{ mode: 'blown', part: part.id }]
      : [],
  );
}
