import { cellState } from '../diagram/contactTable';
import type { Diagram, Known, LoadElement, Part, SwitchPart, Wire } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners } from '../diagram/terminal';
import { sayPoints } from './point';
import { sayPosition } from './position';

/** What differs between two versions of a diagram, a sentence each; none where they say the same. */
export function sayDifferences(before: Diagram, after: Diagram): string[] {
  return [
    ...(before.name === after.name
      ? []
      : [`It is called “${after.name}” instead of “${before.name}”.`]),
    ...(before.kind === after.kind ? [] : [`It is a ${after.kind} instead of a ${before.kind}.`]),
    ...comings(owners(before), owners(after), ({ name }) => name),
    ...comings(before.actuators, after.actuators, ({ name }) => `what moves: ${name}`),
    ...comings(before.panels, after.panels, ({ name }) => `panel: ${name}`),
    ...comings(before.uses ?? [], after.uses ?? [], ({ name }) => `use: ${name}`),
    ...comings(before.looks ?? [], after.looks ?? [], ({ says }) => `quick look: ${says}`),
    ...owners(after).flatMap((each) => {
      const old = owners(before).find(({ id }) => id === each.id);
      return old ? ownerDifferences(before, after, old as Part, each as Part) : [];
    }),
    ...changed(before.actuators, after.actuators, ({ name }) => `What ${name} does`),
    ...changed(before.panels, after.panels, ({ name }) => `What is said of the panel ${name}`),
    ...changed(before.uses ?? [], after.uses ?? [], ({ name }) => `The use ${name}`),
    ...changed(before.looks ?? [], after.looks ?? [], ({ says }) => `The quick look “${says}”`),
    ...wireDifferences(before, after),
    ...(same(before.cautions, after.cautions) ? [] : ['The cautions are others.']),
    ...(same(before.drawnFor, after.drawnFor) ? [] : ['It is drawn in another state.']),
  ];
}

interface Named {
  id: string;
}

function comings<T extends Named>(
  before: readonly T[],
  after: readonly T[],
  say: (each: T) => string,
): string[] {
  const has = (list: readonly T[], id: string): boolean => list.some((each) => each.id === id);
  return [
    ...after.filter(({ id }) => !has(before, id)).map((each) => `New: ${say(each)}.`),
    ...before.filter(({ id }) => !has(after, id)).map((each) => `Gone: ${say(each)}.`),
  ];
}

function changed<T extends Named>(
  before: readonly T[],
  after: readonly T[],
  say: (each: T) => string,
): string[] {
  return after.flatMap((each) => {
    const old = before.find(({ id }) => id === each.id);
    return old && !same(old, each) ? [`${say(each)} is another.`] : [];
  });
}

/** What differs in a part that both have. */
function ownerDifferences(before: Diagram, after: Diagram, old: Part, now: Part): string[] {
  const said: string[] = [];
  if (old.name !== now.name) said.push(`${old.name} is called ${now.name}.`);
  if (old.known !== now.known)
    said.push(`${now.name} is ${sayKnown(now.known)} instead of ${sayKnown(old.known)}.`);
  const [was, is] = [old, now].map(({ terminals }) =>
    terminals.map(({ id, label }) => label ?? id),
  );
  if (!same(was, is))
    said.push(`${now.name} has the terminals ${is?.join(', ')} instead of ${was?.join(', ')}.`);
  if (old.kind === 'switch' && now.kind === 'switch')
    said.push(...tableDifferences(before, after, old, now));
  if (old.kind === 'load' && now.kind === 'load')
    for (const element of now.elements) {
      const other = old.elements.find(({ id }) => id === element.id);
      if (other && !same(other.value, element.value))
        said.push(`${now.name} has ${sayValue(element)} instead of ${sayValue(other)}.`);
    }
  if (!said.length && !same(old, now)) said.push(`What is said of ${now.name} is another.`);
  return said;
}

function tableDifferences(
  before: Diagram,
  after: Diagram,
  old: SwitchPart,
  now: SwitchPart,
): string[] {
  const said: string[] = [];
  if (old.actuator !== now.actuator) said.push(`${now.name} is moved by something else.`);
  for (const { id, between } of now.contacts) {
    if (!old.contacts.some((each) => each.id === id)) {
      said.push(`${now.name} has a contact ${between.join('–')} more.`);
      continue;
    }
    for (const position of positionsOf(after, now)) {
      if (!positionsOf(before, old).includes(position)) continue;
      const [was, is] = [cellState(old, id, position), cellState(now, id, position)];
      if (was !== is)
        said.push(
          `${between.join('–')} of ${now.name} is ${is} instead of ${was} with ${sayPosition(after, now.actuator, position)}.`,
        );
    }
  }
  for (const { id, between } of old.contacts)
    if (!now.contacts.some((each) => each.id === id))
      said.push(`${now.name} has no contact ${between.join('–')} any more.`);
  return said;
}

function wireDifferences(before: Diagram, after: Diagram): string[] {
  const ends = ({ from, to }: Wire): string => [from, to].sort().join(' ');
  const left = [...before.wires];
  const said: string[] = [];
  for (const wire of after.wires) {
    const i = left.findIndex((each) => ends(each) === ends(wire));
    const [old] = i < 0 ? [] : left.splice(i, 1);
    const between = sayPoints(after, wire.from, wire.to);
    if (!old) said.push(`New wire ${wire.colour}, ${between}.`);
    else if (old.colour !== wire.colour)
      said.push(`The wire ${between} is ${wire.colour} instead of ${old.colour}.`);
  }
  return [
    ...said,
    ...left.map(
      (wire) => `No wire ${wire.colour} any more, ${sayPoints(before, wire.from, wire.to)}.`,
    ),
  ];
}

/** Where an entry comes from, in words. */
export function sayKnown(known: Known = 'sheet'): string {
  return { sheet: 'from the sheet', proved: 'proved by a reading', guessed: 'guessed' }[known];
}

const sayValue = ({ value }: LoadElement): string =>
  'nominal' in value
    ? `${value.nominal} Ω (${value.low} to ${value.high})`
    : `${value.watts} W at ${value.volts} V`;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
