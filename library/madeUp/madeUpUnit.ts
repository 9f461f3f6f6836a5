import { chanceFrom } from '../../core/chance';
import type {
  Actuator,
  BoardPart,
  CircuitClass,
  Diagram,
  Look,
  Part,
  Supply,
  SwitchPart,
  TerminalRef,
  Use,
  Wire,
} from '../../core/diagram/diagram';
import { terminalRef } from '../../core/diagram/terminal';
import { handActuator, relayActuator } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, neonLamp, plainLoad } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { houseBattery, indoorLine, mainsCord, rangeCord } from '../shelf/supplies';
import { plainSwitch, relayContact, setPointSwitch, table } from '../shelf/switches';

/** Two sides of something in a circuit. */
interface Between {
  enter: TerminalRef;
  leave: TerminalRef;
}

/** A string of contacts with its load, and what a hand does to make it work. */
interface Branch {
  load: string;
  kind: 'heater' | 'motor' | 'coil';
  /** Controls that are moved, in order; the ones that are held come last. */
  moves: string[];
  held: string[];
}

/** What feeds it, and the watts that one string may draw of it. */
const SUPPLIES: readonly [Supply, number][] = [
  [mainsCord(15), 900],
  [rangeCord(40), 3000],
  [indoorLine, 12],
  [houseBattery, 90],
];
const COLOURS = ['BK', 'RD', 'BU', 'YL', 'OR', 'BN', 'GY', 'VT', 'WH', 'PK'];
const DOORS = ['door', 'lid', 'drawer'] as const;

/**
 * A unit that nobody has built, but that a technician would take for one: a supply, what all share, and
 * strings of contacts, protectors and connections that lead to loads; relays, boards and quantities moved
 * by other loads. The same seed gives the same unit. It need not be sound: who draws one looks.
 */
export const madeUpUnit = (seed: number): Diagram => new Draft(seed).diagram();

class Draft {
  private readonly chance: () => number;
  private readonly supply: Supply;
  /** The most that one string draws. */
  private readonly watts: number;
  private readonly parts: Part[] = [];
  private readonly wires: Wire[] = [];
  private readonly actuators: Actuator[] = [];
  private readonly looks: Look[] = [];
  private readonly uses: Use[] = [];
  private readonly drawnFor: Diagram['drawnFor'] = {};
  private readonly panels: Diagram['panels'];
  private readonly branches: Branch[] = [];
  private selector: SwitchPart | undefined;
  private count = 0;

  constructor(private readonly seed: number) {
    this.chance = chanceFrom(seed);
    [this.supply, this.watts] = this.oneOf(SUPPLIES);
    this.panels = Array.from({ length: 1 + this.upTo(3) }, (_, i) => ({
      id: `panel-${i + 1}`,
      name: `Panel ${i + 1}`,
      fastener: 'screws',
      minutes: 1 + this.upTo(8),
    }));
  }

  diagram(): Diagram {
    const [hot, back] = this.supply.terminals.map(({ id }) => terminalRef(this.supply.id, id));
    const ground = this.supply.terminals.find(({ id }) => id === 'G');
    if (!hot || !back) throw new Error('a supply has two terminals');
    if (ground) {
      this.parts.push(frame('Frame', 'metal of the unit'));
      this.wire(terminalRef(this.supply.id, ground.id), 'frame.G');
    }
    const shared = this.string(hot, 'shared', this.upTo(3), this.amps(2 * this.watts));
    const branches = 1 + this.upTo(4);
    if (branches > 1 && this.chance() < 0.6) this.addSelector(shared.end, branches);
    for (let i = 1; i <= branches; i++) this.addBranch(i, shared, back);
    if (this.chance() < 0.25 && this.supply.volts >= 24) this.addBoard(shared, back);
    return {
      format: 'yarrix-diagram',
      version: 1,
      id: `made-up-${this.seed}`,
      name: `Made-up unit ${this.seed}`,
      kind: 'made-up unit',
      drawnFor: this.drawnFor,
      ...(ground && { frame: 'frame.F' as const }),
      supplies: [this.supply],
      actuators: this.actuators,
      panels: this.panels,
      parts: this.parts,
      wires: this.wires,
      uses: this.uses,
      looks: this.looks,
      cautions: [],
    };
  }

  private oneOf<T>(list: readonly T[]): T {
    return list[Math.floor(this.chance() * list.length)] as T;
  }
  /** 0 to n - 1, even. */
  private readonly upTo = (n: number): number => Math.floor(this.chance() * n);
  private readonly id = (word: string): string => `${word}-${++this.count}`;
  private readonly amps = (watts: number): number => Math.max(0.05, watts / this.supply.volts);

  private wire(from: TerminalRef, to: TerminalRef): void {
    this.wires.push({ id: this.id('w'), colour: this.oneOf(COLOURS), from, to });
  }

  /** Where it sits and how often it fails. */
  private place(): { panel: string; prior: ReturnType<typeof commonPractice> } {
    return {
      panel: this.oneOf(this.panels).id,
      prior: commonPractice(this.oneOf([0.5, 1, 2, 3, 4, 6])),
    };
  }

  /** Some things in a row from a terminal on, and what is moved for them to let current through. */
  private string(
    from: TerminalRef,
    says: string,
    length: number,
    amps: number,
  ): { end: TerminalRef; moves: string[]; held: string[] } {
    const moves: string[] = [];
    const held: string[] = [];
    let end = from;
    for (let i = 0; i < length; i++) {
      const { enter, leave } = this.something(says, amps, moves, held);
      this.wire(end, enter);
      end = leave;
    }
    return { end, moves, held };
  }

  private something(says: string, amps: number, moves: string[], held: string[]): Between {
    const circuit: CircuitClass = amps > 5 ? 'heater' : 'control';
    const kind = this.upTo(10);
    if (kind < 3) return this.handSwitch(says, circuit, amps, moves);
    if (kind < 4) return this.button(says, circuit, amps, held);
    if (kind < 6) return this.limit(says, circuit, amps);
    if (kind < 7) return this.pressureSwitch(says, circuit, amps, moves, held);
    if (kind < 9) return this.protector(says, amps);
    return this.plug(says);
  }

  private handSwitch(says: string, circuit: CircuitClass, amps: number, moves: string[]): Between {
    const shape = this.oneOf([...DOORS, 'knob'] as const);
    const actuator = this.id(shape);
    const id = this.id('switch');
    const isDoor = shape !== 'knob';
    const [made, apart] = isDoor ? ['closed', 'open'] : ['on', 'off'];
    this.actuators.push(
      handActuator(actuator, `${shape} ${this.count}`, shape, {
        [made]: `${actuator} ${made}`,
        [apart]: `${actuator} ${apart}`,
      }),
    );
    this.drawnFor[actuator] = isDoor ? made : apart;
    if (!isDoor || this.chance() < 0.5) moves.push(`${actuator}=${made}`);
    this.parts.push(
      plainSwitch(
        {
          id,
          name: `Switch of ${actuator}`,
          role: `${says}: closed with ${actuator} ${made}`,
          actuator,
          free: apart,
          byHand: 'Press its plunger.',
          ...this.place(),
          ...(isDoor && this.chance() < 0.6 && { safety: true as const }),
        },
        { circuit, amps },
        { [made]: 'closed', [apart]: 'open' },
      ),
    );
    if (isDoor && this.chance() < 0.5)
      this.parts.push({
        id: this.id('bracket'),
        name: `Bracket of ${actuator}`,
        role: 'reaches the switch',
        kind: 'hardware',
        terminals: [],
        serves: [id],
        ...this.place(),
      });
    if (this.chance() < 0.4)
      this.looks.push({
        id: this.id('look'),
        says: `No click of ${actuator}`,
        of: [id],
        found: { with: 0.6, without: 0.1 },
        minutes: 0.2,
      });
    return between(id, '1', '2');
  }

  private button(says: string, circuit: CircuitClass, amps: number, held: string[]): Between {
    const actuator = this.id('button');
    const id = this.id('start');
    this.actuators.push({
      id: actuator,
      name: `Button ${this.count}`,
      kind: 'momentary',
      shape: 'button',
      rest: 'released',
      positions: [
        { id: 'released', name: `${actuator} released` },
        { id: 'pressed', name: `${actuator} held` },
      ],
    });
    this.drawnFor[actuator] = 'released';
    held.push(`${actuator}=pressed`);
    this.parts.push(
      plainSwitch(
        {
          id,
          name: `Start switch ${this.count}`,
          role: `${says}: closed while it is pressed`,
          actuator,
          free: 'released',
          byHand: 'Press it.',
          ...this.place(),
        },
        { circuit, amps },
        { pressed: 'closed', released: 'open' },
      ),
    );
    return between(id, '1', '2');
  }

  private limit(says: string, circuit: CircuitClass, amps: number): Between {
    const actuator = this.id('heat');
    const id = this.id('limit');
    const rising = 120 + 10 * this.upTo(20);
    const heater = this.branches.find(({ kind }) => kind === 'heater');
    this.actuators.push({
      id: actuator,
      name: `Temperature ${this.count}`,
      kind: 'quantity',
      quantity: 'temperature',
      unit: 'F',
      ...(heater &&
        this.chance() < 0.5 && {
          driven: { by: heater.load, to: 70 + 0.6 * (rising - 70), seconds: 60 },
        }),
    });
    this.drawnFor[actuator] = 70;
    this.parts.push(
      setPointSwitch(
        {
          id,
          name: `Limit ${this.count}`,
          role: `${says}: opens on heat`,
          actuator,
          ...this.place(),
          ...(this.chance() < 0.3 && { reset: 'manual' as const }),
          ...(this.chance() < 0.5 && { safety: true as const }),
        },
        [circuit, amps],
        { opens: rising, closes: rising - 30, tolerance: 8 },
        ['a', 'b'],
      ),
    );
    return between(id, 'a', 'b');
  }

  private pressureSwitch(
    says: string,
    circuit: CircuitClass,
    amps: number,
    moves: string[],
    held: string[],
  ): Between {
    const actuator = this.id('pressure');
    const id = this.id('pressure-switch');
    const mover = this.branches.find(
      (each) => each.kind === 'motor' && !each.moves.some((move) => move.startsWith('selector')),
    );
    const driven = mover && this.chance() < 0.7;
    if (driven) {
      moves.push(...mover.moves);
      held.push(...mover.held);
    }
    this.actuators.push({
      id: actuator,
      name: `Pressure ${this.count}`,
      kind: 'quantity',
      quantity: 'pressure',
      unit: 'psi',
      ...(driven && { driven: { by: mover.load, to: 60, seconds: 2 } }),
    });
    this.drawnFor[actuator] = driven ? 0 : 60;
    this.parts.push({
      id,
      name: `Pressure switch ${this.count}`,
      role: `${says}: closes on pressure`,
      kind: 'switch',
      terminals: [{ id: '1' }, { id: '2' }],
      contacts: [{ id: '1-2', between: ['1', '2'], circuit, amps }],
      actuator,
      free: 'below',
      byHand: 'Pump it up by hand.',
      setPoints: { rising: { at: 40, tolerance: 4 }, falling: { at: 20, tolerance: 4 } },
      table: table({ below: [], above: ['1-2'] }),
      ...this.place(),
    });
    return between(id, '1', '2');
  }

  private protector(says: string, amps: number): Between {
    const id = this.id('fuse');
    this.parts.push({
      id,
      name: `Fuse ${this.count}`,
      role: `${says}: opens on a short`,
      kind: 'protector',
      protector: 'fuse',
      between: ['a', 'b'],
      terminals: [{ id: 'a' }, { id: 'b' }],
      rating: `${Math.ceil(2 * amps + 1)} A`,
      amps: Math.ceil(2 * amps + 1),
      ...this.place(),
    });
    return between(id, 'a', 'b');
  }

  private plug(says: string): Between {
    const id = this.id('plug');
    this.parts.push({
      id,
      name: `Plug ${this.count}`,
      role: `${says}: joins two harnesses`,
      kind: 'connection',
      terminals: [{ id: 'a' }, { id: 'b' }],
      joins: [['a', 'b']],
      ...this.place(),
    });
    return between(id, 'a', 'b');
  }

  /** One selector that feeds a branch in each of its positions. */
  private addSelector(from: TerminalRef, branches: number): void {
    const positions = ['off', ...Array.from({ length: branches }, (_, i) => `p${i + 1}`)];
    this.actuators.push(
      handActuator(
        'selector-knob',
        'Selector knob',
        'knob',
        Object.fromEntries(positions.map((each) => [each, `selector at ${each.toUpperCase()}`])),
      ),
    );
    this.drawnFor['selector-knob'] = 'off';
    const throws = positions.slice(1).map((_, i) => `B${i + 1}`);
    this.selector = {
      id: 'selector',
      name: 'Selector',
      role: 'feeds what is chosen',
      kind: 'switch',
      terminals: ['L', ...throws].map((id) => ({ id })),
      contacts: throws.map((id) => ({
        id: `L-${id}`,
        between: ['L', id],
        circuit: 'control',
        amps: this.amps(this.watts),
      })),
      actuator: 'selector-knob',
      free: 'off',
      byHand: 'Turn its shaft.',
      table: table(
        Object.fromEntries(
          positions.map((each, i) => [
            each,
            throws
              .filter((_, k) => i > 0 && (k === i - 1 || this.chance() < 0.25))
              .map((id) => `L-${id}`),
          ]),
        ),
      ),
      ...this.place(),
    };
    this.parts.push(this.selector);
    this.wire(from, 'selector.L');
  }

  private addBranch(
    i: number,
    shared: { end: TerminalRef; moves: string[]; held: string[] },
    back: TerminalRef,
  ): void {
    const kind = this.oneOf(['heater', 'motor', 'coil'] as const);
    const most = { heater: this.watts, motor: 0.4 * this.watts, coil: Math.min(12, this.watts) };
    const watts = most[kind] * (0.4 + 0.6 * this.chance());
    const amps = this.amps(watts);
    const relay = this.branches.find(
      (each) =>
        each.kind === 'coil' && this.actuators.some(({ id }) => id === `relay-${each.load}`),
    );
    const byRelay = relay && this.chance() < 0.6 ? relay : undefined;
    const bySelector = this.selector && !byRelay;
    const start: TerminalRef = bySelector ? `selector.B${i}` : shared.end;
    const own = this.string(start, `branch ${i}`, (bySelector ? 0 : 1) + this.upTo(3), amps);
    let { end } = own;
    if (byRelay) {
      const id = this.id('contact');
      this.parts.push(
        relayContact(
          {
            id,
            name: `Contact of ${byRelay.load}`,
            role: `branch ${i}: closed while ${byRelay.load} works`,
            actuator: `relay-${byRelay.load}`,
            ...this.place(),
          },
          amps,
          'Push its armature in.',
        ),
      );
      this.wire(end, `${id}.C`);
      end = `${id}.NO`;
    }
    const load = this.addLoad(kind, watts, i);
    this.wire(end, `${load}.a`);
    const after = this.string(
      `${load}.b`,
      `return of branch ${i}`,
      Number(this.chance() < 0.2),
      amps,
    );
    this.wire(after.end, back);
    const branch: Branch = {
      load,
      kind,
      moves: [
        ...new Set([
          ...shared.moves,
          ...(byRelay?.moves ?? []),
          ...(bySelector ? [`selector-knob=p${i}`] : []),
          ...own.moves,
          ...after.moves,
        ]),
      ],
      held: [...new Set([...shared.held, ...(byRelay?.held ?? []), ...own.held, ...after.held])],
    };
    this.branches.push(branch);
    const steps = [...branch.moves, ...branch.held];
    this.uses.push({
      id: `run-${i}`,
      name: `Run ${load}`,
      steps: `${steps.length ? steps.join(',') : 'power=on'},wait=120`,
    });
  }

  private addLoad(kind: Branch['kind'], watts: number, i: number): string {
    const id = `${kind}-${i}`;
    const { volts } = this.supply;
    const hot = volts ** 2 / watts;
    this.parts.push(
      plainLoad(
        { id, name: `${kind} ${i}`, role: `what branch ${i} is for`, ...this.place() },
        kind,
        kind === 'heater'
          ? { value: { watts: Math.round(watts), volts, tolerancePercent: 8 }, volts }
          : kind === 'motor'
            ? { value: about(hot / 8, 15), working: about(hot, 20), volts }
            : { value: about(hot / 2, 10), working: about(hot, 15), volts },
      ),
    );
    if (kind === 'coil' && this.chance() < 0.7)
      this.actuators.push({
        ...relayActuator(`relay-${id}`, `Relay of ${id}`, id),
        by: id,
      });
    if (this.actuators.some((each) => each.id === `relay-${id}`))
      this.drawnFor[`relay-${id}`] = 'idle';
    if (volts > 100 && this.chance() < 0.3) {
      const lamp = this.id('lamp');
      this.parts.push(
        neonLamp(lamp, `Lamp of ${id}`, 'lit with it', this.oneOf(this.panels).id, volts),
      );
      this.wire(`${id}.a`, `${lamp}.a`);
      this.wire(`${lamp}.b`, `${id}.b`);
    }
    return id;
  }

  /** A board that asks whether a switch is closed, and drives a relay of its own then. */
  private addBoard(
    shared: { end: TerminalRef; moves: string[]; held: string[] },
    back: TerminalRef,
  ): void {
    const moves: string[] = [];
    const asked = this.handSwitch('asked by the board', 'signal', 0.005, moves);
    const { volts } = this.supply;
    const board: BoardPart = {
      id: 'board',
      name: 'Control board',
      role: 'drives its relay while the switch is closed',
      kind: 'board',
      terminals: ['L', 'N', 'S1', 'S2'].map((id) => ({ id })),
      inputs: [
        { id: 'power', between: ['L', 'N'], fedFrom: 0.7 * volts, ohms: { low: 900, high: 5000 } },
        { id: 'call', between: ['S1', 'S2'], senses: 'contact', ohms: { low: 8000, high: 40_000 } },
      ],
      logic: {
        power: 'power',
        states: [
          {
            id: 'ready',
            says: 'steady light',
            drives: [],
            next: [{ when: { call: 'closed' }, to: 'run' }],
          },
          {
            id: 'run',
            says: 'quick blink',
            drives: ['board-relay'],
            next: [{ when: { call: 'open' }, to: 'ready' }],
          },
        ],
      },
      ...this.place(),
    };
    this.parts.push(board);
    this.wire(shared.end, 'board.L');
    this.wire('board.N', back);
    this.wire('board.S1', asked.enter);
    this.wire(asked.leave, 'board.S2');
    this.actuators.push(relayActuator('board-relay', 'Relay of the board', 'relay'));
    this.drawnFor['board-relay'] = 'idle';
    const watts = this.watts * (0.2 + 0.3 * this.chance());
    this.parts.push(
      relayContact(
        {
          id: 'board-contact',
          name: 'Contact of the board',
          role: 'closed while the board drives it',
          actuator: 'board-relay',
          ...this.place(),
        },
        this.amps(watts),
      ),
    );
    this.wire(shared.end, 'board-contact.C');
    const load = this.addLoad('motor', watts, 9);
    this.wire('board-contact.NO', `${load}.a`);
    this.wire(`${load}.b`, back);
    const steps = [...shared.moves, ...moves, ...shared.held];
    this.uses.push({
      id: 'run-board',
      name: 'Run by the board',
      steps: `${steps.length ? steps.join(',') : 'power=on'},wait=120`,
    });
  }
}

const between = (id: string, a: string, b: string): Between => ({
  enter: terminalRef(id, a),
  leave: terminalRef(id, b),
});
