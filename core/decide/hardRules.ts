import type { Found, OptionKind } from '../call/decision';
import { causesLooked } from '../call/causesAsked';
import { demandsCause } from '../call/cause';
import type { LogEntry } from '../call/record';
import { takenBack } from '../call/takenBack';
import type { Diagram, Part, QuantityActuator } from '../diagram/diagram';
import { partAt } from '../diagram/terminal';
import { quantityOf } from '../inference/quantity';
import type { ShopTerms } from './expectedCost';
import { benchStanding } from './usedPart';

/** Rules that no price moves: common practice. */
export type HardRule =
  | 'makers-part'
  | 'stuck-limit'
  | 'safety-not-cleaned'
  | 'sail-not-bent'
  | 'cause-first'
  | 'two-readings'
  | 'not-read'
  | 'bench-first'
  | 'bench-bad';

interface Asked {
  diagram: Diagram;
  found: Found;
  entries: readonly LogEntry[];
  terms: Pick<ShopTerms, 'twoReadings'>;
}

/** Rules that an option breaks; empty where it may be chosen. */
export function rulesAgainst(
  { diagram, found, entries, terms }: Asked,
  kind: OptionKind,
): HardRule[] {
  const part = diagram.parts.find(({ id }) => id === found.part);
  if (!part) return [];
  const safety = protects(diagram, part);
  const rules: HardRule[] = [];
  const replaces = ['replace', 'companions', 'assembly', 'exchange', 'salvaged'].includes(kind);
  if (safety && (kind === 'salvaged' || kind === 'exchange')) rules.push('makers-part');
  if (kind === 'salvaged' && part.kind === 'switch') {
    const bench = benchStanding(diagram, part, entries);
    if (bench !== 'good') rules.push(bench === 'bad' ? 'bench-bad' : 'bench-first');
  }
  if (
    kind === 'reset' &&
    part.kind === 'switch' &&
    part.reset !== 'manual' &&
    movingQuantity(diagram, part) &&
    found.mode !== undefined
  )
    rules.push('stuck-limit');
  if (kind === 'clean' && safety && !isSail(diagram, part)) rules.push('safety-not-cleaned');
  if (kind === 'adjust' && isSail(diagram, part)) rules.push('sail-not-bent');
  if (demandsCause(part) && (replaces || kind === 'reset') && !causesLooked(part, entries).settled)
    rules.push('cause-first');
  if (replaces && safety && found.by !== 'person') {
    const ways = waysRead(entries, part.id);
    if (ways.size === 0) rules.push('not-read');
    else if (terms.twoReadings && part.kind === 'switch' && ways.size < 2)
      rules.push('two-readings');
  }
  return rules;
}

/** Whether a part protects people or the house. */
export const protects = (diagram: Diagram, part: Part): boolean =>
  part.kind === 'protector' ||
  (part.kind === 'switch' &&
    (part.safety === true ||
      part.reset === 'manual' ||
      (movingQuantity(diagram, part) !== undefined && burnsGas(diagram))));

const burnsGas = ({ energies = [] }: Diagram): boolean => energies.includes('gas');

/** What moves a switch by itself: heat, air, pressure, water. */
const movingQuantity = (diagram: Diagram, part: Part): QuantityActuator | undefined =>
  part.kind === 'switch' ? quantityOf(diagram, part.actuator) : undefined;

/** A switch with an arm in the air. */
const isSail = (diagram: Diagram, part: Part): boolean =>
  movingQuantity(diagram, part)?.quantity === 'airflow';

/** In how many ways a part was read at its own terminals that do not hang together: cold, live, another setup. */
function waysRead(entries: readonly LogEntry[], part: string): Set<string> {
  const gone = takenBack(entries);
  return new Set(
    entries.flatMap(({ id, kind, body }) => {
      if (kind !== 'reading' || gone.has(id) || body.of !== undefined) return [];
      const own = [body.from, body.to].every((ref) => partAt(ref) === part);
      if (!own) return [];
      const stands =
        body.function === 'volt'
          ? (body.steps ?? '')
          : JSON.stringify([body.setup.actuators, body.setup.byHand]);
      return [`${body.function === 'volt' ? 'live' : 'cold'} ${stands}`];
    }),
  );
}
