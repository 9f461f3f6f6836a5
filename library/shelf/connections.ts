import type { ConnectionPart, HardwarePart } from '../../core/diagram/diagram';

/** The metal of the unit; F is where faults reach it, G where it is bonded. */
export const frame = (name: string, role: string): ConnectionPart => ({
  id: 'frame',
  name,
  role,
  kind: 'connection',
  terminals: [{ id: 'F' }, { id: 'G' }],
  joins: [['F', 'G']],
});

type Named = { id: string; name: string; role: string } & Partial<
  Pick<ConnectionPart, 'panel' | 'where' | 'prior' | 'causes' | 'companions' | 'aliases'>
>;

/** A terminal block, plug, jack or splice: pairs of terminals, each one piece of metal. */
export const joints = (part: Named, joins: [string, string][]): ConnectionPart => ({
  ...part,
  kind: 'connection',
  terminals: [...new Set(joins.flat())].map((id) => ({ id })),
  joins,
});

/** A bracket, lever, tube, belt or capacitor: what the parts that it serves do not work without. */
export const hardware = (part: Named, serves: string[]): HardwarePart => ({
  ...part,
  kind: 'hardware',
  terminals: [],
  serves,
});
