import type { Evidence } from '../call/evidence';
import type { Diagram, QuantityActuator, TerminalRef } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { setupKey, stateKey } from '../diagram/setupKey';
import { splitRef } from '../diagram/terminal';
import { clampedLoad } from '../diagram/clampedLoad';
import { movedBy, quantityOf } from '../inference/quantity';
import type { UnitTest } from './unitTests';

/**
 * Minutes of what a technician does; from memory. `script`: clip on dead, stand clear, power on and
 * off, prove dead again. `risk`: what a live reading or a jumper is taken to be dearer than its time.
 * `clips`: both hands are taken by a button that is held, so the probes are clipped on. `helper`: one
 * is called and waited for, once for each panel that wants one.
 */
const MINUTES = {
  read: 0.6,
  ask: 0.2,
  wiggle: 0.3,
  wire: 0.8,
  move: 0.3,
  byHand: 1,
  warmed: 4,
  use: 3,
  script: 4,
  risk: 2,
  coverOff: 2,
  clamp: 1,
  jumper: 1.5,
  clips: 0.6,
  helper: 8,
};
/** Minutes to put the instrument on and read it: gauges are screwed on, a thermometer is held; from memory. */
const INSTRUMENT: Record<QuantityActuator['quantity'], number> = {
  temperature: 1.5,
  pressure: 6,
  airflow: 2,
  speed: 4,
  level: 1,
};

/** How a unit stands while it is worked on: panels that are open, and the setup it was left in. */
export interface Bench {
  /** A bit for each panel of the diagram. */
  open: number;
  /** Place among the setups that were met. */
  stand: number;
}

/** What a test takes, apart from where the unit stands before it. */
export interface Cost {
  minutes: number;
  /** Panels that have to be open. */
  panels: number;
  /** Setup that it is done in; undefined where it leaves the bench as it is. */
  stand: number | undefined;
  /** Minutes of it that live work is taken to be dearer than its time: a shop may see that otherwise. */
  risk?: number;
  /** Minutes more where a panel is off: the unit is powered, and nobody reads anything inside. */
  coverOff?: number;
  /** Whether a button is held, so that the probes have to be clipped on. */
  clips?: boolean;
}

/** The unit whole, as drawn: its place among the setups. */
const DRAWN = 0;

/** What tests cost on one unit, which depends on how it stands after the tests before. */
export class Minutes {
  private readonly stands: Setup[];
  private readonly places = new Map<string, number>();
  private readonly moves = new Map<number, number>();
  private readonly panelOf = new Map<string, number>();

  constructor(private readonly diagram: Diagram) {
    const drawn = { ...drawnSetup(diagram), except: [] };
    this.stands = [drawn];
    this.places.set(setupKey(drawn), DRAWN);
    const bit = new Map(diagram.panels.map((panel, i) => [panel.id, 1 << i]));
    for (const { id, panel } of diagram.parts)
      if (panel !== undefined) this.panelOf.set(id, bit.get(panel) ?? 0);
    for (const look of diagram.looks ?? [])
      if (look.panel !== undefined) this.panelOf.set(`look ${look.id}`, bit.get(look.panel) ?? 0);
  }

  /** A unit that nobody has opened yet. */
  readonly untouched: Bench = { open: 0, stand: DRAWN };

  of(test: UnitTest): Cost {
    const at = (refs: TerminalRef[]): number =>
      refs.reduce((bits, ref) => bits | (this.panelOf.get(splitRef(ref).part) ?? 0), 0);
    switch (test.kind) {
      case 'look': {
        const look = this.diagram.looks?.find((each) => each.id === test.look);
        const panels = this.panelOf.get(`look ${test.look}`) ?? 0;
        return { minutes: look?.minutes ?? 1, panels, stand: undefined };
      }
      case 'measure': {
        const used = test.steps === undefined ? 0 : MINUTES.use + waited(test.steps);
        if (clampedLoad(this.diagram, test.actuator))
          return {
            minutes: MINUTES.clamp + used + MINUTES.risk,
            risk: MINUTES.risk,
            panels: this.panelOf.get(test.actuator) ?? 0,
            stand: DRAWN,
          };
        const quantity = quantityOf(this.diagram, test.actuator)?.quantity ?? 'temperature';
        return {
          minutes: INSTRUMENT[quantity] + used,
          coverOff: test.steps === undefined ? 0 : MINUTES.coverOff,
          panels: this.panelOf.get(movedBy(this.diagram, test.actuator)[0]?.id ?? '') ?? 0,
          stand: DRAWN,
        };
      }
      case 'try':
        return test.jumper
          ? {
              minutes: MINUTES.use + waited(test.steps) + MINUTES.jumper + MINUTES.risk,
              risk: MINUTES.risk,
              panels: at(test.jumper),
              stand: DRAWN,
            }
          : {
              minutes: MINUTES.use + waited(test.steps),
              coverOff: MINUTES.coverOff,
              panels: 0,
              stand: DRAWN,
            };
      case 'ask':
        return { minutes: MINUTES.ask, panels: 0, stand: undefined };
      case 'volt': {
        const { read, script, risk } = MINUTES;
        return {
          minutes: read + script + risk + waited(test.steps),
          risk,
          panels: at([test.from, test.to]),
          stand: DRAWN,
        };
      }
      case 'ohm': {
        const clips = this.isHeld(test.setup);
        const extra = (test.wiggle ? MINUTES.wiggle : 0) + (clips ? MINUTES.clips : 0);
        return {
          minutes: MINUTES.read + extra,
          ...(clips && { clips }),
          panels: at([test.from, test.to]),
          stand: this.placeOf(test.setup),
        };
      }
    }
  }

  /** Minutes that a test takes on a unit that stands so. */
  from({ open, stand }: Bench, cost: Cost): number {
    let minutes = cost.minutes;
    const closed = cost.panels & ~open;
    if (closed)
      this.diagram.panels.forEach((panel, i) => {
        if (closed & (1 << i)) minutes += panel.minutes + (panel.helper ? MINUTES.helper : 0);
      });
    if (open) minutes += cost.coverOff ?? 0;
    if (cost.stand !== undefined && cost.stand !== stand)
      minutes += this.between(stand, cost.stand);
    return minutes;
  }

  /** How the unit stands after a test. */
  after(bench: Bench, cost: Cost): Bench {
    return { open: bench.open | cost.panels, stand: cost.stand ?? bench.stand };
  }

  /** How it stands after all that was done to it. */
  afterAll(entries: readonly Evidence[]): Bench {
    return entries.reduce((bench, entry) => {
      const test = testOf(entry);
      return test ? this.after(bench, this.of(test)) : bench;
    }, this.untouched);
  }

  /** Whether a test can be made where it is: what is reached with all dead only is not read live. */
  reachable(test: UnitTest, { panels }: Cost): boolean {
    const live =
      test.kind === 'volt' ||
      test.kind === 'try' ||
      (test.kind === 'measure' && clampedLoad(this.diagram, test.actuator) !== undefined);
    return !(live && this.diagram.panels.some((each, i) => each.coldOnly && panels & (1 << i)));
  }

  /** Whether a switch is brought to its other side by warming or cooling it, which is waited for. */
  private isWarmed(id: string): boolean {
    const part = this.diagram.parts.find((each) => each.id === id);
    return (
      part?.kind === 'switch' && quantityOf(this.diagram, part.actuator)?.quantity === 'temperature'
    );
  }

  /** Whether a button is held while it is read. */
  private isHeld(setup: Setup): boolean {
    return this.diagram.actuators.some(
      (each) => each.kind === 'momentary' && setup.actuators[each.id] !== each.rest,
    );
  }

  private placeOf(setup: Setup): number {
    const key = setupKey(setup);
    const known = this.places.get(key);
    if (known !== undefined) return known;
    this.places.set(key, this.stands.length);
    return this.stands.push(setup) - 1;
  }

  /** Minutes from one setup to another: wires off and on, controls moved, a finger on a lever. */
  private between(from: number, to: number): number {
    const key = from * 65_536 + to;
    let minutes = this.moves.get(key);
    if (minutes !== undefined) return minutes;
    const [one, two] = [this.stands[from], this.stands[to]];
    if (!one || !two) return 0;
    const off = two.lifted.filter((ref) => !one.lifted.includes(ref)).length;
    // Before the unit is used or read through, all wires have to be back.
    const on = two.lifted.length ? 0 : one.lifted.length;
    const moved = this.diagram.actuators.filter(
      ({ id }) => stateKey(one.actuators[id]) !== stateKey(two.actuators[id]),
    ).length;
    const held = Object.entries(two.byHand)
      .filter(([id, at]) => one.byHand[id] !== at)
      .reduce((sum, [id]) => sum + (this.isWarmed(id) ? MINUTES.warmed : MINUTES.byHand), 0);
    minutes = (off + on) * MINUTES.wire + moved * MINUTES.move + held;
    this.moves.set(key, minutes);
    return minutes;
  }
}

/** Minutes that are waited for in some steps. */
const waited = (steps: string): number =>
  steps.split(',').reduce((sum, word) => {
    const [, seconds] = /^\s*wait=(.+)$/.exec(word) ?? [];
    return sum + (seconds === undefined ? 0 : Number(seconds) / 60);
  }, 0);

/** The test that an entry is the outcome of. */
export function testOf(entry: Evidence): UnitTest | undefined {
  switch (entry.kind) {
    case 'look':
      return { kind: 'look', look: entry.look };
    case 'statement': {
      const { source, steps, subject, jumper } = entry;
      return source === 'told'
        ? { kind: 'ask', steps, subject, expected: entry.outcome }
        : { kind: 'try', steps, subject, ...(jumper && { jumper }) };
    }
    case 'reading': {
      const { from, to, setup, wiggle, steps } = entry;
      if (entry.of === 'twin') return undefined;
      return entry.shows.kind === 'volts'
        ? { kind: 'volt', from, to, steps: steps ?? '' }
        : { kind: 'ohm', reach: 'through', from, to, setup, wiggle };
    }
    case 'measurement': {
      const { actuator, steps } = entry;
      return { kind: 'measure', actuator, ...(steps !== undefined && { steps }) };
    }
    case 'sight':
    case 'act':
      return undefined;
  }
}
