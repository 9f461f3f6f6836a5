import { builtIn } from '../../library/library';
import type { Found, OptionKind } from '../call/decision';
import type { LogEntry, Records } from '../call/record';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { LID_READING } from '../simulate/lidReading';
import { USUAL_TERMS } from './expectedCost';
import { decided, optionsFor, type RepairOption, type ToDecide } from './options';

const unit = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const oven = unit('over-range-oven');
const dryer = unit('electric-dryer');
const burner = unit('coil-burner');

type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
const log = (...lines: Line[]): LogEntry[] =>
  lines.map(
    ([kind, body], i) => ({ id: `e${i}`, kind, phoneAt: '2026-11-28T08:00:00Z', body }) as LogEntry,
  );
const found = (part: string, mode: Found['mode'], more: Partial<Found> = {}): Found => ({
  part,
  ...(mode && { mode }),
  says: 'x',
  chance: 0.95,
  by: 'unit',
  ...more,
});
const decide = (diagram: Diagram, of: Found, more: Partial<ToDecide> = {}): RepairOption[] =>
  optionsFor({ diagram, found: of, entries: [], terms: USUAL_TERMS, typed: {}, ...more });
const pick = (options: RepairOption[], kind: OptionKind): RepairOption => {
  const option = options.find((each) => each.kind === kind);
  if (!option) throw new Error(`no ${kind}`);
  return option;
};
/** A cold reading across two terminals of a part, with the door as said. */
const read = (diagram: Diagram, part: string, from: string, to: string, door?: string): Line => [
  'reading',
  {
    ...LID_READING,
    part,
    from: `${part}.${from}`,
    to: `${part}.${to}`,
    setup: {
      ...drawnSetup(diagram),
      ...(door !== undefined && { actuators: { ...drawnSetup(diagram).actuators, door } }),
    },
  },
];

describe('what can be done about what was found', () => {
  it('keeps makers’ parts and two readings for what protects people, with the reason', () => {
    const primary = oven.parts.find(({ id }) => id === 'primary');
    if (primary?.kind !== 'switch') throw new Error('no primary');
    const [a, b] = primary.contacts[0]?.between ?? ['', ''];
    const bad = found('primary', 'stuck-closed');
    expect(pick(decide(oven, bad), 'salvaged').against).toContain('makers-part');
    expect(pick(decide(oven, bad), 'clean').against).toEqual(['safety-not-cleaned']);
    expect(pick(decide(oven, bad), 'replace').against).toEqual(['not-read']);
    const once = log(read(oven, 'primary', a, b));
    expect(pick(decide(oven, bad, { entries: once }), 'replace').against).toEqual(['two-readings']);
    // The same reading twice is one.
    const same = log(read(oven, 'primary', a, b), read(oven, 'primary', a, b));
    expect(pick(decide(oven, bad, { entries: same }), 'replace').against).toEqual(['two-readings']);
    const both = log(read(oven, 'primary', a, b, 'closed'), read(oven, 'primary', a, b, 'open'));
    expect(pick(decide(oven, bad, { entries: both }), 'replace').against).toEqual([]);
    const easy = { ...USUAL_TERMS, twoReadings: false };
    expect(pick(decide(oven, bad, { entries: once, terms: easy }), 'replace').against).toEqual([]);
    // What may not be done stands last, whatever it would cost.
    const options = decide(oven, bad, { entries: both });
    expect(options.findIndex(({ against }) => against.length)).toBe(
      options.filter(({ against }) => !against.length).length,
    );
  });

  it('asks for the cause before a protector is trusted again, and never bends a sail', () => {
    const cutOff = dryer.parts.find(
      (each) => each.kind === 'protector' && each.protector === 'thermal-cut-off',
    );
    if (!cutOff) throw new Error('no cut-off');
    const blown = found(cutOff.id, 'blown', { by: 'person' });
    expect(pick(decide(dryer, blown), 'replace').against).toEqual(['cause-first']);
    const looked = log(['cause', { part: cutOff.id, cause: 'a crushed duct', outcome: 'found' }]);
    expect(pick(decide(dryer, blown, { entries: looked }), 'replace').against).toEqual([]);
    const furnace = unit('trailer-furnace');
    const sail = furnace.parts.find((each) => each.kind === 'switch' && /sail/i.test(each.name));
    const stuck = found(sail?.id ?? '', 'stuck-open');
    const options = decide(furnace, stuck);
    expect(options.map(({ kind }) => kind)).toContain('clean');
    expect(pick(options, 'clean').against).toEqual([]);
    for (const { kind, against } of options)
      if (kind === 'adjust') expect(against).toContain('sail-not-bent');
  });

  it('weighs the part alone against its companions by what was left in coming back', () => {
    const coil = burner.parts.find((each) => each.companions?.length);
    if (!coil) throw new Error('no companions');
    const options = decide(burner, found(coil.id, 'open'));
    const [alone, all] = [pick(options, 'replace'), pick(options, 'companions')];
    expect(all.along).toEqual(coil.companions);
    expect(all.figures.partPrice).toBeGreaterThan(alone.figures.partPrice);
    expect(alone.cost.comesBack).toBeGreaterThan(all.cost.comesBack);
    expect(alone.events.filter(({ pays }) => pays === 'customer').length).toBe(
      coil.companions?.length,
    );
    // What is typed takes the place of the guess, and a day of waiting costs another visit.
    const typed = decide(burner, found(coil.id, 'open'), {
      typed: { replace: { partPrice: 12, leadDays: 4 } },
      newUnit: 900,
    });
    const chosen = pick(typed, 'replace');
    expect(chosen).toMatchObject({ guessed: false, figures: { partPrice: 12, leadDays: 4 } });
    expect(chosen.cost.terms.find(({ says }) => says === 'visits')?.customer).toBe(
      USUAL_TERMS.visit,
    );
    expect(pick(typed, 'not-worth').cost.customer).toBe(900);
    expect(decided(found(coil.id, 'open'), chosen, '', ['the block'])).toMatchObject({
      part: coil.id,
      option: 'replace',
      partPrice: 12,
      declined: ['the block'],
    });
  });

  it('buys nothing where nothing is wrong, or where what is wrong is no part', () => {
    expect(
      decide(burner, { says: 'nothing', chance: 0.9, by: 'unit' }).map(({ kind }) => kind),
    ).toEqual(['nothing']);
    // What feeds the unit is put right or bought.
    const heater = unit('standing-pilot-heater');
    const source = heater.supplies.find(({ kind }) => kind === 'thermocouple');
    const weak = decide(heater, found(source?.id ?? '', 'weak'));
    expect(weak.map(({ kind }) => kind)).toEqual(['adjust', 'replace', 'hand-over']);
    expect(pick(weak, 'replace')).toMatchObject({ guessed: true });
    const wire = burner.wires[0]?.id ?? '';
    expect(decide(burner, found(wire, 'wire-open')).map(({ kind }) => kind)).toEqual([
      'reconnect',
      'hand-over',
    ]);
  });
});
