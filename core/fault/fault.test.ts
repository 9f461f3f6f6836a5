import { isDeepStrictEqual } from 'node:util';
import { builtIn, LIBRARY } from '../../library/library';
import { conditionNamed, nameFault } from '../describe/fault';
import {
  ALL_MODES,
  effectOf,
  findMode,
  kindOfFault,
  modeOf,
  MODES,
  ownerOf,
  type Fault,
} from './fault';
import { everyFault, weightedFaults } from './faultList';
import { parseFault } from './parseFault';

const washer = builtIn('top-load-washer');
const burner = builtIn('coil-burner');
if (!washer || !burner) throw new Error('no washer, no burner');

/** A fault as it is written on a command line. */
function written(fault: Fault): string {
  const inside =
    'contact' in fault
      ? `.${fault.contact}`
      : 'element' in fault
        ? `.${fault.element}`
        : 'terminal' in fault
          ? `.${fault.terminal}`
          : 'between' in fault
            ? `.${fault.between.join('-')}`
            : 'beyond' in fault
              ? `.${fault.beyond}`
              : '';
  const value =
    'side' in fault
      ? `=${fault.side}`
      : 'stays' in fault
        ? `=${fault.stays}`
        : fault.ohms
          ? `=${fault.ohms.nominal}`
          : '';
  const owner = 'loop' in fault ? fault.loop : ownerOf(fault);
  return `${owner}${inside}:${fault.mode}${value}`;
}

describe('the registry of fault modes', () => {
  it.each(ALL_MODES)('%s can sit somewhere, is said, and is met on some built-in diagram', (id) => {
    const mode = modeOf(id);
    expect(mode.says).not.toBe('');
    expect(mode.remedy.says).toMatch(/\.$/);
    const places = LIBRARY.flatMap((diagram) => mode.where(diagram));
    expect(places.length).toBeGreaterThan(0);
    for (const { share } of places) expect(share).toBeGreaterThanOrEqual(0);
  });

  it('takes a mode by the name that it had before', () => {
    expect(findMode('to-frame')).toBe('ground-fault');
    expect(findMode('part-shorted')).toBe('shorted-turns');
    expect(findMode('stuck-open')).toBe('stuck-open');
    expect(findMode('bent')).toBeUndefined();
  });

  it('every fault of every diagram comes back as it was written', () => {
    const wrong: string[] = [];
    for (const diagram of LIBRARY)
      for (const fault of everyFault(diagram)) {
        const parsed = parseFault(diagram, written(fault));
        if (!parsed.ok || !isDeepStrictEqual(parsed.value, [fault])) wrong.push(written(fault));
        // What a diagram knows of a quantity is said in its own words.
        const says = conditionNamed(diagram, fault)?.says ?? MODES[fault.mode].says;
        if (!nameFault(diagram, fault).includes(says)) wrong.push(`${written(fault)}: its name`);
      }
    expect(wrong).toEqual([]);
  });

  it('shares of a part’s failures do not add up to more than all of them, whatever the part', () => {
    for (const diagram of LIBRARY) {
      const whole = new Map<string, number>();
      for (const { suspect, share } of weightedFaults(diagram))
        whole.set(suspect, (whole.get(suspect) ?? 0) + share);
      for (const share of whole.values()) {
        expect(share).toBeGreaterThan(0);
        expect(share).toBeLessThan(1.5);
      }
    }
  });

  it('weighs a mode with ohms in its typical sizes, by the circuit that it sits in', () => {
    const sizes = (circuit: Parameters<NonNullable<ReturnType<typeof modeOf>['sizes']>>[0]) =>
      modeOf('resistive').sizes?.(circuit).typical ?? [];
    expect(sizes('heater').some(({ high }) => high < 100)).toBe(true);
    // A few ohm harm no signal.
    expect(sizes('signal').every(({ low }) => low >= 100)).toBe(true);
    const own = weightedFaults(burner).filter(({ fault }) => fault.mode === 'resistive');
    const contacts = burner.parts.flatMap((part) => (part.kind === 'switch' ? part.contacts : []));
    expect(own).toHaveLength(contacts.length * sizes('heater').length);
    const films = weightedFaults(burner).filter(({ fault }) => fault.mode === 'film');
    expect(films.map(({ shows }) => shows)).toEqual(contacts.map(() => 'alone'));
    expect(everyFault(burner).some(({ mode }) => mode === 'film')).toBe(true);
  });

  it('what a switch shows only alone is weighed nowhere else', () => {
    const alone = weightedFaults(washer).filter((each) => each.shows === 'alone');
    expect(new Set(alone.map(({ fault }) => fault.mode))).toEqual(
      new Set(['bridged', 'film', 'not-actuated']),
    );
    for (const { fault } of alone)
      if ('stays' in fault) {
        const part = washer.parts.find((each) => each.id === fault.part);
        expect(part?.kind === 'switch' && part.free).not.toBe(fault.stays);
      }
  });

  it('says what a fault does in kinds of effect, and the same fault whatever its ohms', () => {
    const [welded] = everyFault(washer).filter(({ mode }) => mode === 'stuck-closed');
    if (!welded) throw new Error('none');
    expect(effectOf(welded, 'contact')?.makes('open', false)).toBe('closed');
    expect(effectOf(welded, 'opens')).toBeUndefined();
    const [a, b] = everyFault(washer).filter(({ mode }) => mode === 'resistive');
    expect(a && b && kindOfFault(a) === kindOfFault(b)).toBe(true);
    expect(a && kindOfFault(a) === kindOfFault(welded)).toBe(false);
  });
});

describe('a fault as it is written', () => {
  const parse = (text: string, diagram = washer) => {
    const parsed = parseFault(diagram, text);
    return parsed.ok ? parsed.value : parsed.error.message;
  };

  it('without a contact or element means all of the part', () => {
    expect(parse('timer:stuck-open')).toHaveLength(3);
    expect(parse('drive:open')).toHaveLength(2);
    expect(parse('lid-switch.A : Stuck Open')).toEqual([
      { mode: 'stuck-open', part: 'lid-switch', contact: 'A' },
    ]);
  });

  it('has ohms where its mode has, and the free position where none is said', () => {
    const ohms = (text: string): unknown => {
      const faults = parse(text);
      return typeof faults === 'string' ? faults : faults[0]?.ohms;
    };
    expect(ohms('timer.L-MT:resistive=820k')).toEqual({ nominal: 820e3, low: 820e3, high: 820e3 });
    expect(ohms('timer.L-MT:resistive=4.7M')).toMatchObject({ nominal: 4.7e6 });
    expect(ohms('timer.L-MT:resistive=0.8')).toMatchObject({ nominal: 0.8 });
    expect(ohms('timer.L-MT:leaking')).toMatchObject({ low: 100 });
    expect(parse('lid-switch:not-actuated')).toEqual([
      { mode: 'not-actuated', part: 'lid-switch', stays: 'open' },
    ]);
    expect(parse('lid-switch:not-actuated=closed')).toMatchObject([{ stays: 'closed' }]);
    expect(parse('lid-switch.A2-B1:bridged')).toEqual(parse('lid-switch.B1-A2:bridged'));
  });

  it.each([
    ['nonsense', /not a fault; write part:mode/],
    ['timer:bent', /not a fault/],
    ['pump:stuck-open', /no part "pump"; known: cord/],
    ['w99:wire-open', /no wire "w99"; known: w1/],
    ['timer.X:stuck-open', /no contact "timer.X"; known: timer.L-MT/],
    ['timer.Z:loose', /no terminal "timer.Z"; known: timer.L/],
    ['timer:loose', /no terminal "timer"; known: timer.L/],
    ['drive:stuck-open', /drive cannot have the mode stuck-open/],
    ['timer:blown', /timer cannot have the mode blown/],
    ['timer.L-MT:resistive=much', /not a number of ohms/],
    ['timer.L-MT:resistive=0', /not a number of ohms/],
    ['timer.L-MT:stuck-open=5', /has no ohms/],
    ['lid-switch:not-actuated=ajar', /no position "ajar"; known: closed, open/],
    ['drive.x:seized', /no part/],
  ])('%s is refused with what would be right', (text, message) => {
    expect(parse(text)).toEqual(expect.stringMatching(message));
  });
});
