import type { Decision, Found, OptionKind } from '../call/decision';
import type { LogEntry } from '../call/record';
import type { Diagram, Part } from '../diagram/diagram';
import { modeOf } from '../fault/fault';
import type { Remedy } from '../fault/mode';
import { proofOf } from '../plan/proof';
import {
  chanceWithin,
  expectedCost,
  type ExpectedCost,
  type ReturnEvent,
  type ShopTerms,
} from './expectedCost';
import { rulesAgainst, type HardRule } from './hardRules';
import { guessedPrice, minutesToChange, PER_YEAR, SUPPLY } from './usualFigures';

/** What a technician typed over a guess. */
export interface Figures {
  partPrice?: number;
  minutes?: number;
  leadDays?: number;
}

/** One thing that can be done, with what it comes to. */
export interface RepairOption {
  kind: OptionKind;
  /** Parts that are changed along with it. */
  along: string[];
  figures: Required<Figures>;
  /** Whether the price is a guess of ours. */
  guessed: boolean;
  /** What may bring somebody back, with its chance. */
  events: ReturnEvent[];
  cost: ExpectedCost;
  /** Why it may not be done; empty where it may. */
  against: HardRule[];
}

/** What is decided about: what was found, on which unit, and what is known of the call. */
export interface ToDecide {
  diagram: Diagram;
  found: Found;
  entries: readonly LogEntry[];
  terms: ShopTerms;
  /** By option: what was typed. */
  typed: Partial<Record<OptionKind, Figures>>;
  /** What a new unit costs; without it "not worth it" is not weighed. */
  newUnit?: number;
}

/** What each asks of the price of a new part; from memory. */
const SHARE: Partial<Record<OptionKind, number>> = {
  replace: 1,
  companions: 1,
  assembly: 1.8,
  exchange: 0.6,
  salvaged: 0.4,
};

/** Minutes of what is done without a part; from memory. */
const MINUTES = { reset: 5, clean: 20, adjust: 20, reconnect: 25, proofStep: 0.5, exchange: 30 };

/**
 * All that can be done about what was found, what may be done first and then by what it costs the customer and the
 * shop together.
 */
export function optionsFor(of: ToDecide): RepairOption[] {
  const options = kindsFor(of).map((kind): RepairOption => {
    const { along, figures, guessed, events, moreVisits } = outlayOf(of, kind);
    const cost = expectedCost({ ...figures, moreVisits, events }, of.terms);
    return { kind, along, figures, guessed, events, cost, against: rulesAgainst(of, kind) };
  });
  // What another trade asks is not known here.
  const rank = ({ against, cost, kind }: RepairOption): number =>
    (against.length ? 2e9 : 0) + (kind === 'hand-over' ? 1e9 : 0) + cost.customer + cost.shop;
  return options.sort((one, two) => rank(one) - rank(two));
}

/** Which options are there at all for what was found. */
function kindsFor({ diagram, found, newUnit }: ToDecide): OptionKind[] {
  const part = partOf(diagram, found);
  if (found.part === undefined) return ['nothing'];
  const remedy = found.mode && modeOf(found.mode).remedy.kind;
  const worth: OptionKind[] = newUnit === undefined ? [] : ['not-worth'];
  // What feeds the unit is put right, or changed: a thermocouple, a cord, a battery.
  if (diagram.supplies.some(({ id }) => id === found.part))
    return ['adjust', 'replace', 'hand-over', ...worth];
  // Of a wire, a loop or a quantity the remedy of its fault says what is done.
  if (!part) return [DOES[remedy ?? 'outside'], 'hand-over', ...worth];
  const opens = part.kind === 'protector' && part.protector !== 'fuse';
  const resets =
    part.kind === 'switch' && (part.reset === 'manual' || part.setPoints !== undefined);
  return [
    ...(opens || resets ? (['reset'] as const) : []),
    ...(part.kind === 'switch' || part.kind === 'connection' || part.kind === 'hardware'
      ? (['clean'] as const)
      : []),
    ...(remedy === 'adjust' || part.kind === 'hardware' ? (['adjust'] as const) : []),
    ...(remedy === 'reconnect' || part.kind === 'connection' ? (['reconnect'] as const) : []),
    'replace',
    ...(part.companions?.length ? (['companions'] as const) : []),
    ...(part.soldAs !== undefined ? (['assembly'] as const) : []),
    ...(part.kind === 'board' ? (['exchange'] as const) : []),
    'salvaged',
    'hand-over',
    ...worth,
  ];
}

/** What is done about what is no part of the diagram. */
const DOES: Record<Remedy['kind'], OptionKind> = {
  replace: 'replace',
  'reset-and-watch': 'reset',
  adjust: 'adjust',
  clean: 'clean',
  reconnect: 'reconnect',
  outside: 'adjust',
};

const partOf = (diagram: Diagram, { part }: Found): Part | undefined =>
  diagram.parts.find(({ id }) => id === part);

interface OutlayOf {
  along: string[];
  figures: Required<Figures>;
  guessed: boolean;
  events: ReturnEvent[];
  moreVisits: number;
}

function outlayOf(of: ToDecide, kind: OptionKind): OutlayOf {
  const { diagram, found, typed, newUnit = 0 } = of;
  const part = partOf(diagram, found);
  const said = typed[kind] ?? {};
  const along = kind === 'companions' ? (part?.companions ?? []) : [];
  const companions = diagram.parts.filter(({ id }) => along.includes(id));
  const own = part ? guessedPrice(part) : SUPPLY.price;
  const change = part ? minutesToChange(diagram, part) : SUPPLY.minutes;
  const others = companions.reduce((sum, each) => sum + guessedPrice(each), 0);
  const usual: Required<Figures> = {
    partPrice: kind === 'not-worth' ? newUnit : Math.round((SHARE[kind] ?? 0) * own) + others,
    minutes: usualMinutes(of, kind, change, companions.length),
    leadDays: kind === 'exchange' ? 10 : 0,
  };
  const figures = {
    partPrice: said.partPrice ?? usual.partPrice,
    minutes: said.minutes ?? usual.minutes,
    leadDays: said.leadDays ?? usual.leadDays,
  };
  return {
    along,
    figures,
    guessed: said.partPrice === undefined && usual.partPrice > 0 && kind !== 'not-worth',
    events: eventsOf(of, kind, figures, change),
    // What is not on the truck brings somebody here once more.
    moreVisits: figures.leadDays > 0 ? 1 : 0,
  };
}

function usualMinutes(of: ToDecide, kind: OptionKind, change: number, companions: number): number {
  const { diagram, found } = of;
  switch (kind) {
    case 'reset':
    case 'clean':
    case 'adjust':
    case 'reconnect':
      return MINUTES[kind] + change / 4;
    case 'replace':
    case 'assembly':
      return change;
    case 'companions':
      return change + 5 * companions;
    case 'exchange':
      return change + MINUTES.exchange;
    case 'salvaged': {
      // Every contact of a used part is proved before it goes in.
      const part = partOf(diagram, found);
      const steps = part?.kind === 'switch' ? proofOf(diagram, part, 'full').length : 6;
      return change + steps * MINUTES.proofStep;
    }
    case 'hand-over':
    case 'not-worth':
    case 'nothing':
      return 0;
  }
}

/** What may bring somebody back, each by itself. */
function eventsOf(
  of: ToDecide,
  kind: OptionKind,
  figures: Required<Figures>,
  change: number,
): ReturnEvent[] {
  const { diagram, found, terms } = of;
  const part = partOf(diagram, found);
  const within = (perYear: number): number => chanceWithin(perYear, terms.horizonDays);
  const price = part ? guessedPrice(part) : SUPPLY.price;
  if (kind === 'hand-over' || kind === 'not-worth') return [];
  const wrong: ReturnEvent = {
    says: 'it was something else',
    chance: 1 - found.chance,
    pays: 'shop',
    partPrice: 0,
    minutes: change,
  };
  if (kind === 'nothing') return [{ ...wrong, says: 'there was something' }];
  const again: ReturnEvent = {
    says: AGAIN[kind] ?? 'the new part fails',
    chance: within(PER_YEAR[kind]),
    // What is only cleaned or reset was told to be so; a used part stands as it is.
    pays: ['clean', 'reset', 'adjust', 'salvaged'].includes(kind) ? 'customer' : 'shop',
    partPrice: kind === 'reconnect' ? 0 : price,
    minutes: kind === 'reconnect' ? figures.minutes : change,
  };
  const left = kind === 'replace' || kind === 'salvaged' ? (part?.companions ?? []) : [];
  const companions = diagram.parts
    .filter(({ id }) => left.includes(id))
    .map((each): ReturnEvent => ({
      says: `${each.name} fails, which was left in`,
      chance: within(PER_YEAR.leftIn),
      pays: 'customer',
      partPrice: guessedPrice(each),
      minutes: minutesToChange(diagram, each),
    }));
  return [wrong, again, ...companions];
}

const AGAIN: Partial<Record<OptionKind, string>> = {
  reset: 'it trips again',
  clean: 'it gets dirty or burnt again',
  adjust: 'it moves out of its place again',
  reconnect: 'it comes loose again',
  salvaged: 'the used part fails',
};

/** What is written down of an option that was chosen. */
export const decided = (
  found: Found,
  { kind, along, figures, cost }: RepairOption,
  choice: string,
  declined: string[],
): Decision => ({
  ...(found.part !== undefined && { part: found.part }),
  option: kind,
  along,
  ...figures,
  comesBack: cost.comesBack,
  expected: { customer: cost.customer, shop: cost.shop },
  ...(choice && { choice }),
  declined,
});
