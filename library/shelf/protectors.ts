import type { ProtectorPart } from '../../core/diagram/diagram';
import { CAUSES } from './practice';

type Named = { id: string; name: string; role: string } & Partial<
  Pick<ProtectorPart, 'panel' | 'where' | 'prior' | 'causes' | 'companions' | 'aliases'>
>;

const protector = (
  part: Named,
  rest: Pick<ProtectorPart, 'protector' | 'rating' | 'amps' | 'opensAt'>,
  [a, b]: [string, string] = ['a', 'b'],
): ProtectorPart => ({
  ...part,
  kind: 'protector',
  terminals: [{ id: a }, { id: b }],
  between: [a, b],
  ...rest,
});

/** A fuse that blows on a short. */
export const fuse = (part: Named, amps: number, make = 'blade'): ProtectorPart =>
  protector(
    { causes: [...CAUSES.short], ...part },
    {
      protector: 'fuse',
      rating: `${amps} A, ${make}`,
      amps,
    },
  );

/** A one-shot cut-off that opens for good when a temperature gets too high. */
export const cutOff = (
  part: Named,
  actuator: string,
  at: number,
  ends?: [string, string],
): ProtectorPart =>
  protector(
    part,
    { protector: 'thermal-cut-off', rating: `${at} °F, one shot`, opensAt: { actuator, at } },
    ends,
  );

/** The overload of a motor: opens when it is held or too hot, and closes again. */
export const overload = (part: Named, amps: number, ends?: [string, string]): ProtectorPart =>
  protector(part, { protector: 'overload', rating: `${amps} A, resets by itself`, amps }, ends);
