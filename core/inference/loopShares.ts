import { sinceRepair, type Evidence } from '../call/evidence';
import { SOUND_CONTACT } from '../circuit/ohms';
import type { CircuitClass, Diagram, TerminalRef } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import { terminalRef } from '../diagram/terminal';
import { LOOP_LOSES_MV } from '../trade/millivoltLoop';

/** One contact of a loop that shares the few volts of a source, and what it takes of them. */
export interface LoopShare {
  part: string;
  contact: string;
  ohms: number;
  /** Whether it was read, in ohms or in millivolts; a sound one is supposed otherwise. */
  read: boolean;
}

export interface LoopShares {
  /** The worst first. */
  shares: LoopShare[];
  ohms: number;
  /** Ohms that all contacts together may have at the working current. */
  budget: number;
  /** Those to clean or replace, in this order, until the rest is under the budget. */
  toDo: LoopShare[];
}

/** What all contacts of a loop may lose together with the burner drawing, in volts: common practice. */
const LOST_AT_MOST: Partial<Record<CircuitClass, number>> = {
  thermopile: LOOP_LOSES_MV / 1000,
  thermocouple: 0.004,
};
/**
 * Share of its volts that a low-voltage string may lose: IEC 60947-4-1 wants a contactor to pull in from 85 %
 * of its volts on, and a transformer is some of that low itself. The figures are from memory.
 */
const LOST_SHARE = 0.1;
/** Working current of a loop whose contacts say none, in ampere: from memory. */
const USUAL_AMPS: Partial<Record<CircuitClass, number>> = {
  thermopile: 0.09,
  thermocouple: 0.4,
  control: 0.4,
};

/** The loop of a source as a sum, from what was read over its contacts; undefined for a source of no loop. */
export function loopShares(
  diagram: Diagram,
  loop: string,
  entries: readonly Evidence[],
): LoopShares | undefined {
  const found = loopsOf(diagram).find(({ source }) => source.id === loop);
  if (!found) return undefined;
  const { contacts, circuit, volts } = found;
  const lost = LOST_AT_MOST[circuit] ?? LOST_SHARE * volts;
  const amps =
    contacts.find(({ contact }) => contact.amps)?.contact.amps ?? USUAL_AMPS[circuit] ?? 1;
  const sound = SOUND_CONTACT[circuit].nominal;
  const shares = contacts
    .map(({ part, contact }): LoopShare => {
      const [a, b] = contact.between.map((terminal) => terminalRef(part.id, terminal));
      const ohms = lastRead(entries.slice(sinceRepair(entries, part.id)), a, b, amps);
      return {
        part: part.id,
        contact: contact.id,
        ohms: ohms ?? sound,
        read: ohms !== undefined,
      };
    })
    .sort((one, two) => two.ohms - one.ohms);
  const ohms = shares.reduce((sum, each) => sum + each.ohms, 0);
  const budget = lost / amps;
  const toDo: LoopShare[] = [];
  let left = ohms;
  for (const share of shares) {
    if (left <= budget) break;
    toDo.push(share);
    left -= share.ohms - sound;
  }
  return { shares, ohms, budget, toDo };
}

/** What was read last over two terminals, as ohms: U = I R for millivolts lost in use. */
function lastRead(
  entries: readonly Evidence[],
  a: TerminalRef | undefined,
  b: TerminalRef | undefined,
  amps: number,
): number | undefined {
  const last = entries.findLast(
    (each) =>
      each.kind === 'reading' &&
      each.of === 'unit' &&
      ((each.from === a && each.to === b) || (each.from === b && each.to === a)) &&
      (each.shows.kind === 'volts' || each.shows.kind === 'ohms'),
  );
  if (last?.kind !== 'reading') return undefined;
  if (last.shows.kind === 'volts') return last.shows.volts / amps;
  return last.shows.kind === 'ohms'
    ? Math.max(0, last.shows.ohms - last.taken.meter.leads.ohms)
    : undefined;
}
