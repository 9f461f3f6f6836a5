import { blankDiagram, changedSince, derive } from './derive';
import { writeLine, withoutLine, removeOwner, rename, renameTerminal } from './edit';
import { addPosition, copyRow, moveBy, removePosition, setCell } from './editTable';
import { lintDraft, mendOf } from './draftLint';
import { addSupply, setSupplyKind } from './editAround';
import { pathsOf } from './pathsOf';
import { moveItem, readPathLine, writePathLine } from './pathLine';
import { guessUses } from './guessUses';
import { lintWhole } from '../circuit/lintCircuit';
import { chanceFrom } from '../chance';
import { cellState } from '../diagram/contactTable';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { findSwitch, owners } from '../diagram/terminal';
import { sayDifferences } from '../describe/diagramDifference';
import { sayGuesses } from '../describe/guesses';
import { builtIn, LIBRARY } from '../../library/library';
import { madeUpUnit } from '../../library/madeUp/madeUpUnit';
import { makePlace } from '../../library/shelf/makePlace';

const typed = (...lines: string[]): Diagram =>
  lines.reduce((draft, line) => {
    const written = writeLine(draft, line, undefined, makePlace);
    if (!written.ok) throw new Error(`${line}: ${written.error.message}`);
    return written.value;
  }, blankDiagram('own'));

const wiring = ({ wires }: Diagram): string[] =>
  wires.map(({ colour, from, to }) => `${colour} ${[from, to].sort().join(' ')}`).sort();

const DRYER = [
  'L1 -black> timer A-B > high limit [L160-30] 1-2 > start 1-2 > motor run 4-5 > door 1-2 -WH> N',
  'L1 > timer A-C > (heater [5400 W 240 V] a-b | lamp [40 W] a-b) -RD> L2',
];
const dryer = typed(...DRYER);

describe('a line as it is typed', () => {
  it.each([
    'L1 > timer A-C -BK> (high limit 1-2 | bypass 1-2) -WH-RD w3> N',
    'heater a-b [1200 W 120 V] > N',
    '((a 1 > b 2) | c 1-2) > N',
  ])('is written as it was read: %s', (line) => {
    const read = readPathLine(line);
    expect(read.ok && writePathLine(read.value, true)).toBe(line);
  });

  it('has its parts put into another order, colours where they were', () => {
    const read = readPathLine('L1 -BK> fuse > (a 1 | b 1) -RD> motor > N');
    if (!read.ok) throw new Error('not read');
    const moved = writePathLine(moveItem(read.value, 1, 3), false);
    expect(moved).toBe('L1 -BK> (a 1 | b 1) > motor -RD> fuse > N');
    expect(writePathLine(moveItem(read.value, 9, 1), false)).toBe(writePathLine(read.value, false));
  });

  it.each([
    ['L1 > > N', 6, /part is missing/],
    ['L1 > (a | b > N', 16, /bracket is not closed/],
    ['L1 -blurple> N', 3, /no colour/],
    ['L1 > a [1200 W > N', 8, /"]" is missing/],
    [`L1 > ${'('.repeat(40)}`, 27, /brackets within brackets/],
  ])('says at which letter it is not understood: %s', (line, column, message) => {
    const read = readPathLine(line);
    expect(read.ok ? undefined : read.error).toEqual({
      line: 1,
      column,
      message: expect.stringMatching(message) as string,
    });
  });

  it('makes parts of the trade’s kinds, with all that is told of them, and marks them as guessed', () => {
    const of = (id: string) => owners(dryer).find((each) => each.id === id);
    expect(of('timer')).toMatchObject({ kind: 'switch', known: 'guessed', actuator: 'timer' });
    expect(of('high-limit')).toMatchObject({
      setPoints: { rising: { at: 160 }, falling: { at: 130 } },
    });
    expect(of('motor')).toMatchObject({
      load: 'motor',
      elements: [{ id: 'run', between: ['4', '5'] }],
    });
    expect(of('heater')).toMatchObject({ elements: [{ value: { watts: 5400, volts: 240 } }] });
    expect(of('feed')).toMatchObject({
      kind: 'split-phase',
      terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }],
    });
    expect(wiring(dryer)).toContain('BK feed.L1 timer.A');
    expect(lintWhole(dryer)).toEqual([]);
    expect(lintDraft(dryer)).toEqual([]);
  });

  it.each([
    ['fan selector', 'switch'],
    ['fan motor', 'load'],
    ['water level switch', 'switch'],
    ['thermal fuse', 'protector'],
    ['terminal block', 'connection'],
    ['control board', 'board'],
    ['relay coil', 'load'],
    ['relay contact', 'switch'],
  ])('takes a %s for a %s', (name, kind) => {
    const [part] = typed(`L1 > ${name} 1-2 > N`).parts;
    expect(part?.kind).toBe(kind);
  });

  it('refuses what it does not know, and says how it would', () => {
    const wrong = writeLine(dryer, 'L1 > wibble 1-2 > N', undefined, makePlace);
    expect(wrong.ok ? '' : wrong.error.message).toMatch(/what is "wibble".*square brackets/);
    const missing = writeLine(dryer, 'L1 > timer > N', undefined, makePlace);
    expect(missing.ok ? '' : missing.error.message).toMatch(
      /which terminals|by which terminals.*A, B, C/,
    );
    const two = typed('L1 > fuse 1-2 > N');
    const told = writeLine(dryer, 'L1 > heater [1200 W] a-b > N', undefined, makePlace);
    expect(told.ok ? '' : told.error.message).toMatch(/there already: leave \[1200 W\] away/);
    const winding = typed('L1 > motor run [3 ohm] 4-5 > N', 'L1 > motor start [7 ohm] 3-5 > N');
    expect(winding.parts[0]).toMatchObject({
      startsWith: 'start',
      elements: [{ value: { nominal: 3 } }, { value: { nominal: 7 } }],
    });
    const third = writeLine(two, 'L1 > fuse 1-3 > N', undefined, makePlace);
    expect(third.ok ? '' : third.error.message).toMatch(/two ends/);
  });

  it('written by names is understood again, wire for wire, for every built-in unit', () => {
    for (const unit of LIBRARY) {
      const again = pathsOf(unit, 'name').reduce(
        (draft, line) => {
          const written = writeLine(draft, writePathLine(line, false), undefined, makePlace);
          if (!written.ok) throw new Error(`${unit.id}: ${written.error.message}`);
          return written.value;
        },
        { ...unit, wires: [] } as Diagram,
      );
      expect(again.parts).toEqual(unit.parts);
      expect(wiring(again)).toEqual(wiring(unit));
    }
  });

  it('changed in place keeps the ids of the wires that stay, and the rest of the unit', () => {
    const [first] = pathsOf(dryer, 'name');
    if (!first) throw new Error('no line');
    const text = writePathLine(first, false).replace(
      'Start 1-2',
      'Start 1-2 -OR> splice [block] 1-2',
    );
    const changed = writeLine(dryer, text, first, makePlace);
    if (!changed.ok) throw new Error(changed.error.message);
    const id = (draft: Diagram, ref: TerminalRef) => draft.wires.find(({ to }) => to === ref)?.id;
    expect(id(changed.value, 'timer.A')).toBe(id(dryer, 'timer.A'));
    expect(changed.value.wires.length).toBe(dryer.wires.length + 1);
    expect(new Set(changed.value.wires.map((each) => each.id)).size).toBe(
      changed.value.wires.length,
    );
    expect(withoutLine(dryer, first).wires.length).toBe(dryer.wires.length - first.rest.length);
  });
});

describe('changes of a draft', () => {
  const cell = (draft: Diagram, position: string, contact: string) => {
    const part = findSwitch(draft, 'timer');
    return part.ok ? cellState(part.value, contact, position) : undefined;
  };

  it('sets cells, copies rows, adds and takes out positions, and every table stays whole', () => {
    let draft = setCell(dryer, 'timer', 'on', 'A-C', 'either');
    expect(cell(draft, 'on', 'A-C')).toBe('either');
    draft = addPosition(draft, 'timer', 'COOL');
    expect(cell(draft, 'cool', 'A-B')).toBe('open');
    draft = copyRow(draft, 'timer', 'on', 'cool');
    expect([cell(draft, 'cool', 'A-B'), cell(draft, 'cool', 'A-C')]).toEqual(['closed', 'either']);
    draft = removePosition(draft, 'timer', 'off');
    expect(draft.drawnFor.timer).toBe('on');
    expect(
      lintWhole(moveBy(draft, 'door', 'timer')).filter(({ severity }) => severity === 'error'),
    ).toEqual([]);
  });

  it('gives a supply the rails of its kind, and leaves those that something is wired to', () => {
    const rails = ({ supplies }: Diagram) =>
      supplies.map(({ terminals }) => terminals.map(({ id }) => id));
    const blank = addSupply(blankDiagram('own'), 'low-voltage-ac', 'Control supply');
    expect(rails(blank.draft)).toEqual([['R', 'C']]);
    expect(rails(setSupplyKind(blank.draft, blank.id, 'mains'))).toEqual([['L', 'N']]);
    expect(rails(setSupplyKind(typed('L1 > lamp 1-2 > N'), 'feed', 'split-phase'))).toEqual([
      ['L1', 'L2', 'N'],
    ]);
  });

  it('renames a terminal wherever it is named, and takes a part out with all that speaks of it', () => {
    for (const unit of LIBRARY) {
      const part = unit.parts.find(
        ({ terminals, kind }) => terminals.length > 1 && kind !== 'board',
      );
      if (!part) continue;
      const [first] = part.terminals;
      const renamed = renameTerminal(unit, part.id, first?.id ?? '', 'ZZ9');
      expect(lintWhole(renamed).filter(({ severity }) => severity === 'error')).toEqual([]);
      expect(JSON.stringify(renamed.wires)).not.toContain(`"${part.id}.${first?.id}"`);
      const without = removeOwner(unit, part.id);
      const left = JSON.stringify([
        without.wires,
        without.looks?.flatMap(({ of }) => of),
        without.frame ?? '',
      ]);
      expect(left).not.toContain(`"${part.id}.`);
    }
  });

  it('leaves a derived unit with its origin, and tells what is new and what was changed', () => {
    const origin = builtIn('coil-burner');
    if (!origin) throw new Error('no burner');
    const own = derive(origin, 3, 'own-1');
    expect(own.derivedFrom).toEqual({ id: 'coil-burner', version: 3, name: origin.name });
    expect(changedSince(origin, own).size).toBe(0);
    const other = rename(setCell(own, 'infinite', 'off', 'L1-P', 'closed'), 'coil', 'Big coil');
    expect([...changedSince(origin, other)].sort()).toEqual([
      ['coil', 'changed'],
      ['infinite', 'changed'],
    ]);
    const said = sayDifferences(own, other);
    expect(said).toContainEqual(
      expect.stringMatching(/L1–P of .* is closed instead of open with knob at OFF/i),
    );
    expect(said).toContainEqual(expect.stringMatching(/is called Big coil/));
    expect(sayDifferences(other, other)).toEqual([]);
  });
});

describe('what may be wrong in a draft', () => {
  const kinds = (draft: Diagram) => lintDraft(draft).map(({ kind, about }) => `${kind} ${about}`);

  it('finds each thing that is wrong at its place, and mends what one tap can', () => {
    expect(kinds(blankDiagram('x'))).toEqual(['no-parts undefined']);
    const dangling = typed('L1 > timer A-B > motor 1-2 > door 1-2');
    expect(kinds(dangling)).toEqual(expect.arrayContaining(['no-wire door', 'never-runs motor']));
    const never = typed('L1 > door 1-2 > lamp door switch 1-2 > motor 1-2 > N');
    expect(kinds(never)).toContain('never-runs motor');
    expect(kinds(typed('L1 > door 1-2 > N'))).toContain('shorted feed');
    const constant = setCell(dryer, 'timer', 'on', 'A-C', 'open');
    expect(kinds(constant)).toEqual(
      expect.arrayContaining(['constant timer', 'never-runs heater']),
    );
    expect(kinds(typed('L1 > high limit 1-2 > motor 1-2 > N'))).toContain(
      'no-set-points high-limit',
    );
    const alike = rename(dryer, 'lamp', 'Heater');
    const [finding] = lintDraft(alike);
    expect(finding && mendOf(alike, finding)).toEqual({ rename: 'lamp', to: 'Heater 2' });
  });

  it('finds a short by metal wherever nodal analysis finds one, on made-up units with one wire more', () => {
    let shorts = 0;
    for (let seed = 1; seed <= 120; seed++) {
      const unit = madeUpUnit(seed);
      const chance = chanceFrom(seed);
      const refs = owners(unit).flatMap(({ id, terminals }) =>
        terminals.map((each): TerminalRef => `${id}.${each.id}`),
      );
      const anyRef = (): TerminalRef => refs[Math.floor(chance() * refs.length)] ?? 'a.b';
      const draft = {
        ...unit,
        wires: [...unit.wires, { id: 'extra', colour: 'BK', from: anyRef(), to: anyRef() }],
      };
      if (lintDraft(draft).some(({ kind }) => kind === 'unsound')) continue;
      const solved = lintWhole(draft).some(({ message }) => message.includes('shorts'));
      const joined = lintDraft(draft).some(({ kind }) => kind === 'shorted');
      // A battery's own contacts and wires may hold its current down: metal all the same.
      const held = joined && unit.supplies[0]?.kind === 'dc';
      if (!held) expect({ seed, joined }).toEqual({ seed, joined: solved });
      if (solved) shorts++;
    }
    expect(shorts).toBeGreaterThan(5);
  });

  it('says nothing of a built-in unit but of throws that lie idle', () => {
    const said = LIBRARY.flatMap((unit) => lintDraft(unit).map(({ kind }) => kind));
    expect(
      said.filter((kind) => !['no-wire', 'not-wired', 'moves-nothing'].includes(kind)),
    ).toEqual([]);
  });
});

it('guesses uses in which all that runs in a unit’s own uses runs, but for a few that are done in several steps', () => {
  const units = LIBRARY.filter(({ parts }) => parts.length < 11);
  for (const unit of units) expect(guessUses({ ...unit, uses: [] }).length).toBeGreaterThan(0);
  expect(guessUses({ ...dryer, uses: [] }).map(({ steps }) => steps)).toContain(
    'timer=on,start=pressed,wait=3,start=released',
  );
});

it('says what a verdict rests on that nobody has read', () => {
  expect(sayGuesses(dryer, 'timer')).toMatch(
    /what Timer is, the contact table of Timer, what moves Timer/,
  );
  expect(sayGuesses(builtIn('coil-burner') ?? dryer, 'infinite')).toBeUndefined();
});
