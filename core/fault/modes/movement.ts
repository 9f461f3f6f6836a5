import { mode, REPLACE, type Remedy } from '../mode';
import { atParts, atPositions } from '../place';

const ADJUST: Remedy = {
  kind: 'adjust',
  says: 'Not the switch itself: find what does not reach it, its bracket, lever, tube or driver.',
};

/** What moves otherwise than it should, or not at all. Shares from memory. */
export const MOVEMENT_MODES = {
  'not-actuated': mode({
    on: 'position',
    says: 'not actuated',
    where: atPositions(0.1875),
    effects: [
      { kind: 'stands', position: (at, part) => (at.part === part.id ? at.stays : undefined) },
    ],
    remedy: ADJUST,
  }),
  broken: mode({
    on: 'part',
    says: 'broken: does not reach what it moves',
    where: atParts((part) => (part.kind === 'hardware' ? 1 : undefined)),
    effects: [
      {
        kind: 'stands',
        position: (at, part, diagram) =>
          diagram.parts.some(
            (each) =>
              each.id === at.part && each.kind === 'hardware' && each.serves.includes(part.id),
          )
            ? part.free
            : undefined,
      },
      // A motor without its capacitor hums and stands still.
      { kind: 'held' },
    ],
    remedy: ADJUST,
  }),
  tripped: mode({
    on: 'part',
    says: 'tripped',
    where: atParts((part) => {
      if (part.kind === 'switch' && part.reset) return 0.3;
      return part.kind === 'protector' && part.protector === 'overload' ? 1 : undefined;
    }),
    effects: [
      { kind: 'opens' },
      { kind: 'stands', position: (at, part) => (at.part === part.id ? 'above' : undefined) },
    ],
    remedy: {
      kind: 'reset-and-watch',
      says: 'Find the cause, then reset it and watch a whole run.',
    },
  }),
  seized: mode({
    on: 'part',
    says: 'seized',
    where: atParts((part) => (part.kind === 'load' && part.load === 'motor' ? 0.15 : undefined)),
    effects: [{ kind: 'held' }],
    remedy: REPLACE,
  }),
  'no-output': mode({
    on: 'part',
    says: 'does not drive its outputs',
    where: atParts((part) => (part.kind === 'board' && part.logic ? 1 : undefined)),
    effects: [{ kind: 'no-drive' }],
    remedy: {
      kind: 'replace',
      says: 'Replace the board, once its supply and inputs are proved.',
    },
  }),
} as const;
