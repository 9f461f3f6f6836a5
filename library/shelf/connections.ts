import type { ConnectionPart } from '../../core/diagram/diagram';

/** The metal of the unit; F is where faults reach it, G where it is bonded. */
export const frame = (name: string, role: string): ConnectionPart => ({
  id: 'frame',
  name,
  role,
  kind: 'connection',
  terminals: [{ id: 'F' }, { id: 'G' }],
  joins: [['F', 'G']],
});
