import type { Supply, SupplyKind } from '../diagram/diagram';

/** Rails that a kind of supply has, in the order that says what they are; ground comes last where there is one. */
export const RAILS_OF: Readonly<Record<SupplyKind, readonly string[]>> = {
  mains: ['L', 'N', 'G'],
  'split-phase': ['L1', 'L2', 'N', 'G'],
  'wye-legs': ['L1', 'L2', 'N', 'G'],
  'low-voltage-ac': ['R', 'C'],
  dc: ['+', '-'],
  thermopile: ['TH', 'TP'],
  thermocouple: ['+', '-'],
};

/** Volts of a kind where nobody has said them. */
export const USUAL_VOLTS: Readonly<Record<SupplyKind, number>> = {
  mains: 120,
  'split-phase': 240,
  'wye-legs': 208,
  'low-voltage-ac': 24,
  dc: 12,
  thermopile: 0.75,
  thermocouple: 0.03,
};

/** Rails in that order as far as their names tell; a single hot one is L or L1. */
export function inRailOrder<T extends { id: string }>(rails: readonly T[], kind: SupplyKind): T[] {
  const place = ({ id }: T): number => {
    const at = RAILS_OF[kind].indexOf(id);
    return at < 0 && id === 'L1' ? RAILS_OF[kind].indexOf('L') : at;
  };
  return rails.every((each) => place(each) >= 0)
    ? [...rails].sort((a, b) => place(a) - place(b))
    : [...rails];
}

/** What a line may end at, by what belongs to one supply. */
const LINE_ENDS = [
  { id: 'feed', name: 'Feed', rails: ['L', 'L1', 'L2', 'N', 'G'] },
  { id: 'control', name: '24 V control', rails: ['R', 'C'] },
  { id: 'battery', name: 'Battery', rails: ['+', '-'] },
] as const;

const kindOf = (id: (typeof LINE_ENDS)[number]['id'], rails: readonly string[]): SupplyKind =>
  id === 'control'
    ? 'low-voltage-ac'
    : id === 'battery'
      ? 'dc'
      : rails.includes('L2')
        ? 'split-phase'
        : 'mains';

/** Rails that belong together with one; undefined for what is no rail. */
export const railsWith = (rail: string): readonly string[] | undefined =>
  LINE_ENDS.find(({ rails }) => (rails as readonly string[]).includes(rail))?.rails;

/** The supply that some rails of one group mean, until the sheet says more; by which current comes back is added. */
export function guessedSupply(rails: readonly [string, ...string[]]): Supply {
  const group = LINE_ENDS.find((each) => (each.rails as readonly string[]).includes(rails[0]));
  const { id, name } = group ?? LINE_ENDS[0];
  const kind = kindOf(id, rails);
  // A rail alone has another one beside it: the neutral, or where that was named the hot side.
  const beside =
    id === 'feed'
      ? rails.some((each) => each !== 'N' && each !== 'G')
        ? 'N'
        : 'L1'
      : RAILS_OF[kind].find((each) => each !== rails[0]);
  const all = rails.length > 1 || beside === undefined ? rails : [...rails, beside];
  const terminals = inRailOrder(
    [...new Set(all)].map((each) => ({ id: each })),
    kind,
  );
  return { id, name, kind, volts: USUAL_VOLTS[kind], terminals, known: 'guessed' };
}
