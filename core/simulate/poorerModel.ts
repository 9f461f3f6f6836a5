import { chanceFrom } from '../chance';
import { runWhole } from '../behaviour/run';
import { statementsOf } from '../behaviour/statement';
import { parseSteps } from '../behaviour/step';
import { UseRuns } from '../behaviour/useRuns';
import type { StatementEvidence } from '../call/evidence';
import type { Diagram, Ohms, Part, Plate } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import { ownerOf } from '../fault/fault';
import { complaintOf } from '../inference/complaint';
import { consequencesOf, type UnitHypothesis } from '../inference/unitHypotheses';
import { UnitPredictor } from '../inference/unitPredictor';

/** How what is known falls short of the unit that stands there. */
export const SHORTFALLS = [
  'unknown-part',
  'unknown-load',
  'wrong-plate',
  'wrong-table',
  'other-protector',
  'wrong-moment',
  'two-faults',
] as const;
export type Shortfall = (typeof SHORTFALLS)[number];

/** A call on a unit that its diagram, or what was told of it, does not quite fit. */
export interface PoorlyKnown {
  /** The diagram that is worked by; the same as the unit's own where only what was told is wrong. */
  model: Diagram;
  truth: UnitHypothesis;
  complaint: StatementEvidence;
  /** What may be named: what is wrong, and what is not as the diagram says. */
  rightly: Set<string>;
}

/**
 * One fault of a unit, worked with less than is true of it.
 * @param world what the unit foretells by its own diagram
 * @returns undefined where this unit has nothing of the kind, or nobody would notice the fault
 */
export function poorlyKnown(
  world: UnitPredictor,
  shortfall: Shortfall,
  seed: number,
): PoorlyKnown | undefined {
  const chance = chanceFrom(seed);
  const { diagram, hypotheses, meter } = world;
  const oneOf = <T>(list: readonly T[]): T | undefined => list[Math.floor(chance() * list.length)];
  const noticed = [...hypotheses.keys()].filter(
    (i) => hypotheses[i]?.suspect !== undefined && complaintOf(world, i),
  );
  const index = oneOf(noticed);
  const truth = index === undefined ? undefined : hypotheses[index];
  const complaint = index === undefined ? undefined : complaintOf(world, index);
  if (!truth || !complaint) return undefined;
  const rightly = new Set([truth.suspect ?? '', ...truth.causes.map(ownerOf)]);
  switch (shortfall) {
    case 'wrong-moment': {
      const moments = [...(hypotheses[0]?.uses.outcomes.keys() ?? [])];
      const steps = oneOf(moments.filter((each) => each !== complaint.steps));
      if (steps === undefined) return undefined;
      return { model: diagram, truth, complaint: { ...complaint, steps, source: 'told' }, rightly };
    }
    case 'two-faults': {
      const other = hypotheses[oneOf(noticed) ?? 0];
      if (!other || other.suspect === truth.suspect) return undefined;
      const causes = [...truth.causes, ...other.causes];
      const uses = new UseRuns(diagram).of(causes);
      const both: UnitHypothesis = {
        suspect: truth.suspect,
        causes,
        faults: [...causes, ...consequencesOf(diagram, uses, causes)],
        prior: 1,
        uses,
      };
      const healthy = hypotheses[0];
      const told = healthy && complaintOf(new UnitPredictor(diagram, meter, [healthy, both]), 1);
      for (const each of [other.suspect ?? '', ...other.causes.map(ownerOf)]) rightly.add(each);
      return told && { model: diagram, truth: both, complaint: told, rightly };
    }
    default: {
      const changed = oneOf(poorer(diagram, shortfall, chance));
      if (!changed || !isThere(changed.model, complaint.subject) || !works(changed.model))
        return undefined;
      return { model: changed.model, truth, complaint, rightly: rightly.add(changed.part) };
    }
  }
}

interface Poorer {
  model: Diagram;
  /** Part that is not as the diagram says. */
  part: string;
}

/** The diagram with one thing left out or written down wrong, in every way that it can be. */
function poorer(
  diagram: Diagram,
  shortfall: Exclude<Shortfall, 'wrong-moment' | 'two-faults'>,
  chance: () => number,
): Poorer[] {
  const withPart = (id: string, part: Part): Diagram => ({
    ...diagram,
    parts: diagram.parts.map((each) => (each.id === id ? part : each)),
  });
  switch (shortfall) {
    case 'unknown-part':
      // Whoever drew it took it for a piece of wire.
      return diagram.parts.flatMap((part): Poorer[] => {
        const { id, name, role, terminals, panel, prior } = part;
        const isPlain =
          terminals.length === 2 && (part.kind === 'switch' || part.kind === 'protector');
        const [a, b] = terminals;
        if (!isPlain || !a || !b) return [];
        const place = { ...(panel !== undefined && { panel }), ...(prior && { prior }) };
        const splice: Part = {
          ...{ id, name, role, terminals, ...place },
          kind: 'connection',
          joins: [[a.id, b.id]],
        };
        return [{ model: withoutMentionOf(withPart(id, splice), id), part: id }];
      });
    case 'unknown-load':
      return diagram.parts.flatMap((part): Poorer[] =>
        part.kind === 'load' ? [{ model: withoutPart(diagram, part.id), part: part.id }] : [],
      );
    case 'wrong-plate':
      return diagram.parts.flatMap((part): Poorer[] => {
        if (part.kind !== 'load') return [];
        const factor = chance() < 0.5 ? 0.55 : 1.8;
        const elements = part.elements.map((each) => ({
          ...each,
          value: scaled(each.value, factor),
        }));
        return [{ model: withPart(part.id, { ...part, elements }), part: part.id }];
      });
    case 'wrong-table':
      return switches(diagram).flatMap((part): Poorer[] => {
        const row = part.table.rows[Math.floor(chance() * part.table.rows.length)];
        const contact = part.contacts[Math.floor(chance() * part.contacts.length)]?.id;
        if (!row || contact === undefined) return [];
        const closed = row.closed.includes(contact)
          ? row.closed.filter((each) => each !== contact)
          : [...row.closed, contact];
        const rows = part.table.rows.map((each) => (each === row ? { ...row, closed } : each));
        const other = { ...part, table: { ...part.table, rows } };
        return [{ model: withPart(part.id, other), part: part.id }];
      });
    case 'other-protector':
      return diagram.parts.flatMap((part): Poorer[] => {
        if (part.kind !== 'protector' || part.amps === undefined) return [];
        const amps = part.amps * (chance() < 0.5 ? 0.15 : 20);
        return [{ model: withPart(part.id, { ...part, amps }), part: part.id }];
      });
  }
}

const scaled = (value: Ohms | Plate, factor: number): Ohms | Plate =>
  'watts' in value
    ? { ...value, watts: value.watts / factor }
    : {
        nominal: value.nominal * factor,
        low: value.low * factor,
        high: value.high * factor,
      };

/** Without looks, brackets and conditions that speak of a part. */
function withoutMentionOf(diagram: Diagram, id: string): Diagram {
  return {
    ...diagram,
    looks: (diagram.looks ?? []).filter(
      ({ of }) => !of.some((text) => text.split(/[.:]/)[0] === id),
    ),
    parts: diagram.parts.filter((each) => each.kind !== 'hardware' || !each.serves.includes(id)),
    actuators: diagram.actuators.map((each) =>
      each.kind === 'quantity' && each.conditions
        ? { ...each, conditions: each.conditions.filter(({ beyond }) => beyond !== id) }
        : each,
    ),
  };
}

function withoutPart(diagram: Diagram, id: string): Diagram {
  const touches = (ref: string): boolean => ref.split('.')[0] === id;
  const kept = withoutMentionOf(diagram, id);
  const moved = kept.actuators.filter((each) => each.kind === 'driven' && each.by === id);
  return {
    ...kept,
    parts: kept.parts.filter((each) => each.id !== id),
    wires: kept.wires.filter(({ from, to }) => !touches(from) && !touches(to)),
    actuators: kept.actuators.map((each) => {
      if (each.kind !== 'quantity' || !each.driven) return each;
      const { driven, ...rest } = each;
      if (driven.by === id) return rest;
      const { held, alone, emptiedBy, litBy, ...moved } = driven;
      return {
        ...rest,
        driven: {
          ...moved,
          ...(held && held.by !== id && { held }),
          ...(alone && alone.by !== id && { alone }),
          ...(emptiedBy !== undefined && emptiedBy !== id && { emptiedBy }),
          ...(litBy !== undefined && litBy !== id && { litBy }),
        },
      };
    }),
    // What it moved would be missed at once: such a diagram nobody works by.
    ...(moved.length && { uses: [] }),
  };
}

const isThere = ({ parts }: Diagram, subject: string): boolean =>
  parts.some(({ id }) => id === subject);

/** Whether something still works in every use: a diagram by which nothing runs is thrown away at once. */
function works(diagram: Diagram): boolean {
  const uses = diagram.uses ?? [];
  return (
    uses.length > 0 &&
    uses.every(({ steps }) => {
      const parsed = parseSteps(diagram, steps);
      if (!parsed.ok) return false;
      const { results } = runWhole(diagram, parsed.value, []);
      return statementsOf(diagram, results).some(({ outcome }) => outcome === 'runs');
    })
  );
}
