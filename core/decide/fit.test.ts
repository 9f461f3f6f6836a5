import { builtIn } from '../../library/library';
import type { NewPart } from '../call/candidate';
import type { Diagram } from '../diagram/diagram';
import { fitAsAWhole, fitOf } from './fit';

const unit = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const burner = unit('coil-burner');
const oven = unit('over-range-oven');
const furnace = unit('gas-furnace');

const SAME = {
  words: 'number 7',
  used: false,
  approved: true,
  contacts: 'same',
  amps: 30,
  volts: 277,
  lever: 'same',
  connectors: 'same',
  mounting: 'same',
  orientation: 'same',
} as const;
const against = (diagram: Diagram, candidate: NewPart): [string, string[]] => {
  const lines = fitOf(diagram, candidate, []);
  return [
    fitAsAWhole(lines),
    lines.filter(({ stands }) => stands !== 'holds').map(({ point }) => point),
  ];
};

describe('whether a new part fits', () => {
  it('is held against what the circuit asks for, and nothing is taken for granted', () => {
    const candidate = { ...SAME, part: 'infinite' };
    expect(against(burner, candidate)).toEqual(['fits', []]);
    const amps = Math.max(
      ...burner.parts.flatMap((each) =>
        each.kind === 'switch' ? each.contacts.flatMap((c) => c.amps ?? []) : [],
      ),
    );
    expect(against(burner, { ...candidate, amps: amps - 0.5 })).toEqual(['does-not', ['amps']]);
    expect(against(burner, { ...candidate, volts: 125 })).toEqual(['does-not', ['volts']]);
    const { amps: _, lever: __, ...unsaid } = candidate;
    expect(against(burner, unsaid)).toEqual(['unknown', ['amps', 'lever']]);
  });

  // Common practice: another lever may do where its geometry is proved, never on what protects people.
  it('lets another lever in where it was proved, and on no interlock; nor a used or foreign one', () => {
    expect(against(burner, { ...SAME, part: 'infinite', lever: 'proved' })[0]).toBe('fits');
    expect(against(burner, { ...SAME, part: 'infinite', lever: 'other' })[0]).toBe('does-not');
    expect(against(oven, { ...SAME, part: 'primary' })[0]).toBe('fits');
    expect(against(oven, { ...SAME, part: 'primary', lever: 'proved' })).toEqual([
      'does-not',
      ['lever'],
    ]);
    expect(against(oven, { ...SAME, part: 'primary', approved: false })).toEqual([
      'does-not',
      ['approval'],
    ]);
    // A used one that was not read on the bench is not known.
    expect(against(burner, { ...SAME, part: 'infinite', used: true })).toEqual([
      'unknown',
      ['proved'],
    ]);
    expect(against(oven, { ...SAME, part: 'primary', used: true })[1]).toContain('approval');
  });

  it('asks a limit for its set points within their tolerance, and for its kind of reset', () => {
    const limit = furnace.parts.find(
      (each) => each.kind === 'switch' && each.setPoints && each.reset === 'manual',
    );
    if (limit?.kind !== 'switch' || !limit.setPoints) throw new Error('no limit');
    const { rising, falling } = limit.setPoints;
    const same: NewPart = {
      ...SAME,
      part: limit.id,
      rising: rising.at,
      falling: falling.at,
      reset: 'manual',
    };
    expect(against(furnace, same)).toEqual(['fits', []]);
    expect(against(furnace, { ...same, rising: rising.at + rising.tolerance + 1 })).toEqual([
      'does-not',
      ['set-points'],
    ]);
    expect(against(furnace, { ...same, reset: 'automatic' })).toEqual(['does-not', ['reset']]);
  });
});
