import type { Diagram, LoadPart, Ohms, Part, QuantityActuator, SwitchPart } from './diagram';
import { cellInAnyPosition } from './contactTable';
import { lintLogic } from './lintBoard';
import { unique, type Report } from './lintReport';
import { positionsOf } from './setup';
import { owners } from './terminal';

/** Something wrong in a diagram, with the JSON pointer to it and what would be right. */
export interface Finding {
  path: string;
  severity: 'error' | 'warning';
  message: string;
}

/** Everything that a diagram of the right shape can still have wrong. Empty means sound. */
export function lintDiagram(diagram: Diagram): Finding[] {
  const findings: Finding[] = [];
  const error = (path: string, message: string): void => {
    findings.push({ path, severity: 'error', message });
  };
  unique(
    owners(diagram).map((each) => each.id),
    (id) => error('/parts', `two parts or supplies have the id "${id}"`),
  );
  for (const list of ['wires', 'actuators', 'panels'] as const) {
    unique(
      diagram[list].map((each) => each.id),
      (id) => error(`/${list}`, `the id "${id}" is given twice`),
    );
  }
  if (!diagram.parts.length) error('/parts', 'there is no part yet');
  const refs = new Set(
    owners(diagram).flatMap((each) =>
      each.terminals.map((terminal) => `${each.id}.${terminal.id}`),
    ),
  );
  diagram.wires.forEach((wire, i) => {
    for (const end of ['from', 'to'] as const) {
      if (!refs.has(wire[end])) error(`/wires/${i}/${end}`, `there is no terminal "${wire[end]}"`);
    }
    if (wire.from === wire.to) error(`/wires/${i}/to`, 'a wire needs two different ends');
    if (wire.ohms) lintOhms(wire.ohms, `/wires/${i}/ohms`, error);
  });
  if (diagram.frame !== undefined && !refs.has(diagram.frame))
    error('/frame', `there is no terminal "${diagram.frame}"`);
  lintActuators(diagram, error);
  diagram.parts.forEach((part, i) => lintPart(diagram, part, `/parts/${i}`, error));
  diagram.parts.forEach((part, i) => {
    if (part.kind !== 'switch') return;
    warnConstant(part, `/parts/${i}`, findings);
    warnSetPoints(diagram, part, `/parts/${i}`, findings);
  });
  return findings;
}

function warnSetPoints(diagram: Diagram, part: SwitchPart, path: string, to: Finding[]): void {
  if (part.setPoints || !isQuantity(diagram, part.actuator)) return;
  to.push({
    path: `${path}/setPoints`,
    severity: 'warning',
    message: `set points of ${part.id} are not known: open can be right, so it is never named until they are`,
  });
}

function lintOhms(ohms: Ohms, path: string, error: Report): void {
  if (!(ohms.low > 0)) error(`${path}/low`, 'ohms must be above zero');
  if (ohms.low > ohms.nominal || ohms.nominal > ohms.high) {
    error(path, 'ohms must be in the order low, nominal, high');
  }
}

/** A quantity is suspected under its own name, for being beyond a set point that is known. */
function lintConditions(
  diagram: Diagram,
  { id, conditions = [] }: QuantityActuator,
  path: string,
  error: Report,
): void {
  if ([...diagram.parts, ...diagram.supplies, ...diagram.wires].some((each) => each.id === id))
    error(`${path}/id`, `"${id}" is a part, a supply or a wire already`);
  conditions.forEach(({ beyond }, i) => {
    const part = diagram.parts.find((each) => each.id === beyond);
    if (part?.kind !== 'switch' || part.actuator !== id || !part.setPoints)
      error(
        `${path}/conditions/${i}/beyond`,
        `"${beyond}" is no switch with set points that ${id} moves`,
      );
  });
}

function lintActuators(diagram: Diagram, error: Report): void {
  const known = new Set(diagram.actuators.map((each) => each.id));
  diagram.actuators.forEach((actuator, i) => {
    const path = `/actuators/${i}`;
    const drawn = diagram.drawnFor[actuator.id];
    if (drawn === undefined) error('/drawnFor', `say in which state "${actuator.id}" is drawn`);
    const moves = (id: string, at: string): void => {
      if (!diagram.parts.some((part) => part.id === id)) error(at, `there is no part "${id}"`);
    };
    if (actuator.kind === 'quantity') {
      if (actuator.driven) moves(actuator.driven.by, `${path}/driven/by`);
      if (actuator.driven?.held) moves(actuator.driven.held.by, `${path}/driven/held/by`);
      if (actuator.driven?.litBy !== undefined)
        moves(actuator.driven.litBy, `${path}/driven/litBy`);
      if (actuator.driven?.emptiedBy !== undefined)
        moves(actuator.driven.emptiedBy, `${path}/driven/emptiedBy`);
      if (actuator.driven?.alone) moves(actuator.driven.alone.by, `${path}/driven/alone/by`);
      if (drawn !== undefined && typeof drawn !== 'number') {
        error(`/drawnFor/${actuator.id}`, `a quantity is drawn for a number of ${actuator.unit}`);
      }
      lintConditions(diagram, actuator, path, error);
      return;
    }
    const positions = actuator.positions.map((each) => each.id);
    unique(positions, (id) => error(`${path}/positions`, `the position "${id}" is given twice`));
    const inside = (value: string, at: string): void => {
      if (!positions.includes(value))
        error(at, `"${value}" is not a position; known: ${positions.join(', ')}`);
    };
    if (drawn !== undefined) inside(String(drawn), `/drawnFor/${actuator.id}`);
    if (actuator.kind === 'momentary') inside(actuator.rest, `${path}/rest`);
    if (actuator.kind === 'driven') {
      inside(actuator.rest, `${path}/rest`);
      inside(actuator.running, `${path}/running`);
      moves(actuator.by, `${path}/by`);
    }
  });
  for (const id of Object.keys(diagram.drawnFor)) {
    if (!known.has(id)) error(`/drawnFor/${id}`, `there is no actuator "${id}"`);
  }
}

function lintPart(diagram: Diagram, part: Part, path: string, error: Report): void {
  const terminals = part.terminals.map((each) => each.id);
  unique(terminals, (id) => error(`${path}/terminals`, `the terminal "${id}" is given twice`));
  if (part.kind !== 'hardware' && terminals.length === 0)
    error(`${path}/terminals`, `${part.id} has no terminal, so nothing can be measured at it`);
  const pair = ([a, b]: [string, string], at: string): void => {
    for (const id of [a, b]) {
      if (!terminals.includes(id))
        error(at, `${part.id} has no terminal "${id}"; it has ${terminals.join(', ')}`);
    }
    if (a === b) error(at, 'two different terminals are needed');
  };
  part.companions?.forEach((id, i) => {
    if (id === part.id || !diagram.parts.some((each) => each.id === id))
      error(`${path}/companions/${i}`, `there is no other part "${id}"`);
  });
  if (part.panel !== undefined && !diagram.panels.some((each) => each.id === part.panel)) {
    error(`${path}/panel`, `there is no panel "${part.panel}"`);
  }
  switch (part.kind) {
    case 'switch':
      part.contacts.forEach((contact, i) => pair(contact.between, `${path}/contacts/${i}/between`));
      lintSwitch(diagram, part, path, error);
      break;
    case 'load':
      part.elements.forEach((element, i) => {
        pair(element.between, `${path}/elements/${i}/between`);
        if ('nominal' in element.value)
          lintOhms(element.value, `${path}/elements/${i}/value`, error);
        if (element.working) lintOhms(element.working, `${path}/elements/${i}/working`, error);
      });
      lintElements(diagram, part, path, error);
      break;
    case 'protector':
      pair(part.between, `${path}/between`);
      if (part.opensAt && !isQuantity(diagram, part.opensAt.actuator))
        error(`${path}/opensAt/actuator`, `there is no quantity "${part.opensAt.actuator}"`);
      break;
    case 'board':
      part.inputs.forEach((input, i) => pair(input.between, `${path}/inputs/${i}/between`));
      lintLogic(diagram, part, path, error);
      break;
    case 'connection':
      part.joins.forEach((join, i) => pair(join, `${path}/joins/${i}`));
      break;
    case 'hardware':
      part.serves.forEach((id, i) => {
        if (!diagram.parts.some((each) => each.id === id))
          error(`${path}/serves/${i}`, `there is no part "${id}"`);
      });
  }
}

const isQuantity = (diagram: Diagram, id: string): boolean =>
  diagram.actuators.some((each) => each.id === id && each.kind === 'quantity');

function lintElements(diagram: Diagram, part: LoadPart, path: string, error: Report): void {
  const elements = part.elements.map((each) => each.id);
  unique(elements, (id) => error(`${path}/elements`, `the element "${id}" is given twice`));
  const named: [string, string | undefined][] = [
    ['startsWith', part.startsWith],
    ['windings/primary', part.windings?.primary],
    ['windings/secondary', part.windings?.secondary],
  ];
  const { load, startsFrom, holdsFrom } = part;
  if (startsFrom !== undefined && load !== 'coil' && load !== 'motor')
    error(`${path}/startsFrom`, `only a coil pulls in and a motor starts; ${part.id} is a ${load}`);
  if (holdsFrom !== undefined && load !== 'coil')
    error(`${path}/holdsFrom`, `only a coil holds; ${part.id} is a ${load}`);
  else if (holdsFrom !== undefined && holdsFrom > (startsFrom ?? 1))
    error(`${path}/holdsFrom`, `${part.id} lets go no higher than where it pulls in`);
  for (const [id, wanted] of Object.entries(part.onlyWith ?? {})) {
    const actuator = diagram.actuators.find((each) => each.id === id);
    const known =
      actuator && actuator.kind !== 'quantity'
        ? actuator.positions.map((each) => each.id)
        : diagram.parts.some((each) => each.kind === 'load' && each.id === id && id !== part.id)
          ? ['runs']
          : [];
    if (!known.length)
      error(`${path}/onlyWith`, `"${id}" is neither another load nor an actuator with positions`);
    else if (!known.includes(wanted))
      error(`${path}/onlyWith`, `"${id}" cannot be "${wanted}"; known: ${known.join(', ')}`);
  }
  for (const [at, id] of named) {
    if (id !== undefined && !elements.includes(id))
      error(`${path}/${at}`, `${part.id} has no element "${id}"; it has ${elements.join(', ')}`);
  }
}

function lintSwitch(diagram: Diagram, part: SwitchPart, path: string, error: Report): void {
  const actuator = diagram.actuators.find((each) => each.id === part.actuator);
  if (!actuator) {
    error(`${path}/actuator`, `there is no actuator "${part.actuator}"`);
    return;
  }
  if (part.setPoints && part.setPoints.falling.at >= part.setPoints.rising.at) {
    error(`${path}/setPoints`, 'the falling set point must be below the rising one');
  }
  const contacts = part.contacts.map((each) => each.id);
  unique(contacts, (id) => error(`${path}/contacts`, `the contact "${id}" is given twice`));
  const positions = positionsOf(diagram, part);
  if (!positions.includes(part.free)) {
    error(`${path}/free`, `"${part.free}" is not a position; known: ${positions.join(', ')}`);
  }
  for (const position of positions) {
    const rows = part.table.rows.filter((row) => row.position === position).length;
    if (rows !== 1)
      error(`${path}/table/rows`, `position "${position}" has ${rows} rows; it needs one`);
  }
  part.table.rows.forEach((row, i) => {
    const at = `${path}/table/rows/${i}`;
    if (!positions.includes(row.position)) {
      error(
        `${at}/position`,
        `"${row.position}" is not a position; known: ${positions.join(', ')}`,
      );
    }
    const named = [...row.closed, ...(row.either ?? [])];
    if (row.cycles && !row.either?.length)
      error(`${at}/cycles`, `no contact is "either" in "${row.position}", so none can cycle`);
    for (const id of named) {
      if (!contacts.includes(id))
        error(at, `${part.id} has no contact "${id}"; it has ${contacts.join(', ')}`);
    }
    unique(named, (id) =>
      error(at, `contact "${id}" is named twice in position "${row.position}"`),
    );
    // Two contacts on the same two terminals can only be seen together.
    part.contacts.forEach((one, j) => {
      const two = part.contacts.slice(j + 1).find((each) => samePair(one.between, each.between));
      if (two && named.includes(one.id) !== named.includes(two.id))
        error(
          at,
          `contradiction: "${one.id}" and "${two.id}" join the same terminals, and only one of them is closed in "${row.position}"`,
        );
    });
  });
}

const samePair = ([a, b]: [string, string], [c, d]: [string, string]): boolean =>
  (a === c && b === d) || (a === d && b === c);

/** A contact that never changes is legal, but more often a slip of the pen. */
function warnConstant(part: SwitchPart, path: string, findings: Finding[]): void {
  part.contacts.forEach((contact, i) => {
    const state = cellInAnyPosition(part, contact.id);
    if (state === 'either') return;
    findings.push({
      path: `${path}/contacts/${i}`,
      severity: 'warning',
      message: `contact "${contact.id}" of ${part.id} is ${state} in every position`,
    });
  });
}
