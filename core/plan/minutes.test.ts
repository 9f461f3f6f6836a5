import { builtIn } from '../../library/library';
import type { Panel } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { Minutes } from './minutes';
import type { UnitTest } from './unitTests';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const drawn = { ...drawnSetup(washer), except: [] };
const lid = washer.parts.find((part) => part.id === 'lid-switch');
const ohm = (setup = drawn): UnitTest => ({
  kind: 'ohm',
  reach: 'own',
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  setup,
  wiggle: false,
});
const volt = (steps: string): UnitTest => ({
  kind: 'volt',
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  steps,
});
/** The washer with the panel of its lid switch changed. */
const changed = (change: Partial<Panel>): Minutes =>
  new Minutes({
    ...washer,
    panels: washer.panels.map((each) => (each.id === lid?.panel ? { ...each, ...change } : each)),
  });
const takes = (minutes: Minutes, test: UnitTest): number =>
  minutes.from(minutes.untouched, minutes.of(test));

describe('what a test costs (common practice)', () => {
  it('opens a panel once, and calls a helper once', () => {
    const [alone, helped] = [changed({ minutes: 10 }), changed({ minutes: 10, helper: true })];
    const second = (minutes: Minutes): number => {
      const bench = minutes.after(minutes.untouched, minutes.of(ohm()));
      return minutes.from(bench, minutes.of(ohm()));
    };
    expect(takes(alone, ohm()) - second(alone)).toBeCloseTo(10, 9);
    expect(takes(helped, ohm())).toBeGreaterThan(takes(alone, ohm()) + 1);
    expect(second(helped)).toBeCloseTo(second(alone), 9);
  });

  it('counts what is waited for before a live reading, and its script and risk', () => {
    const minutes = new Minutes(washer);
    const [now, later] = [volt('timer=wash'), volt('timer=wash,wait=90')];
    expect(takes(minutes, later) - takes(minutes, now)).toBeCloseTo(1.5, 9);
    expect(takes(minutes, now)).toBeGreaterThan(takes(minutes, ohm()) + 2);
  });

  it('takes a unit that is used with a cover off to be dearer than one that is whole', () => {
    const minutes = new Minutes(washer);
    const used = minutes.of({ kind: 'try', steps: 'timer=wash,wait=60', subject: 'drive-motor' });
    const open = minutes.after(minutes.untouched, minutes.of(ohm()));
    expect(minutes.from(open, used)).toBeGreaterThan(minutes.from(minutes.untouched, used) + 1);
    // A live reading stands open anyway: its own risk is counted, once.
    const read = minutes.of(volt('timer=wash'));
    expect(minutes.from(open, read)).toBeLessThan(minutes.from(minutes.untouched, read));
  });

  it('takes clips where a button has to be held', () => {
    const dryer = builtIn('electric-dryer');
    if (!dryer) throw new Error('no dryer');
    const minutes = new Minutes(dryer);
    const at = (start: string): UnitTest => ({
      kind: 'ohm',
      reach: 'own',
      from: 'start.1',
      to: 'start.2',
      setup: {
        ...drawnSetup(dryer),
        except: [],
        actuators: { ...drawnSetup(dryer).actuators, start },
      },
      wiggle: false,
    });
    expect(minutes.of(at('pressed')).minutes).toBeGreaterThan(minutes.of(at('released')).minutes);
  });

  it('reads nothing live behind a panel that only a dead unit is reached through', () => {
    const [open, cold] = [new Minutes(washer), changed({ coldOnly: true })];
    for (const [minutes, live] of [
      [open, true],
      [cold, false],
    ] as const) {
      expect(minutes.reachable(volt('timer=wash'), minutes.of(volt('timer=wash')))).toBe(live);
      expect(minutes.reachable(ohm(), minutes.of(ohm()))).toBe(true);
    }
  });
});
