import { builtIn, LIBRARY } from '../../library/library';
import { drawnSetup, poweredSetup } from '../diagram/setup';
import { everySetup } from './short';
import { ampsOf, currents } from './currents';
import { buildNetwork } from './network';
import { NodalAnalysis } from './nodalAnalysis';

describe('currents', () => {
  it('gives a heater its plate: 5400 W at 240 V draw 22.5 A, through every contact on the way', () => {
    const dryer = builtIn('electric-dryer');
    if (!dryer) throw new Error('no dryer');
    const setup = poweredSetup(drawnSetup(dryer));
    const running = { ...setup.actuators, timer: 'heat', speed: 'turning' };
    const flows = currents(dryer, { ...setup, actuators: running });
    const at = (owner: string, key: string) =>
      flows.find((each) => each.owner === owner && each.key === key);
    const element = at('element', 'element');
    // A little less, since contacts, wires and the house lose some of the volts on the way.
    const share = (element?.amps ?? 0) / 22.5;
    expect(share).toBeGreaterThan(0.94);
    expect(share).toBeLessThan(1);
    expect((element?.watts ?? 0) / 5400).toBeCloseTo(share * share, 6);
    for (const [part, contact] of [
      ['timer', 'A-C'],
      ['thermostat', '1-2'],
      ['centrifugal', '1-2'],
    ] as const)
      expect(at(part, contact)?.amps).toBeCloseTo(element?.amps ?? 0, 6);
  });

  it('of a part are those of its winding, element or contact that carries most', () => {
    const washer = builtIn('top-load-washer');
    if (!washer) throw new Error('no washer');
    const at = (timer: string) => {
      const setup = poweredSetup(drawnSetup(washer));
      const put = { ...setup, actuators: { ...setup.actuators, lid: 'closed', timer } };
      const network = buildNetwork(washer, put, [], { warm: true });
      const solved = new NodalAnalysis(network, (edge) => edge.nominal);
      const flows = currents(washer, put);
      return (owner: string) => {
        const own = flows.filter((each) => each.owner === owner).map(({ amps }) => amps);
        return { amps: ampsOf(network, solved, owner), most: Math.max(0, ...own) };
      };
    };
    const spins = at('spin');
    // 120 V over 16 ohm at work, less what is lost on the way.
    expect(spins('drive').amps / 7.5).toBeGreaterThan(0.9);
    expect(spins('drive').amps / 7.5).toBeLessThan(1);
    for (const owner of ['drive', 'timer', 'lid-switch', 'timer-motor'])
      expect(spins(owner).amps).toBeCloseTo(spins(owner).most, 9);
    expect(at('off')('drive').amps).toBe(0);
    expect(spins('nothing').amps).toBe(0);
  });

  // Tellegen's theorem: what the supplies give is what everything else takes.
  it.each(LIBRARY.map((each) => [each.id, each] as const))(
    'takes in %s as much as its supplies give, in every position of its controls',
    (_id, diagram) => {
      const windings = diagram.parts.flatMap((part) =>
        part.kind === 'load' && part.windings ? [[part.id, part.windings.secondary]] : [],
      );
      const transforms = windings.length > 0;
      const secondary = ({ owner, key }: { owner: string; key: string }): boolean =>
        windings.some(([part, element]) => part === owner && element === key);
      for (const setup of everySetup(diagram, poweredSetup(drawnSetup(diagram)))) {
        // What a transformer gives at its secondary, its loads there take.
        const flows = currents(diagram, setup).filter((each) => !secondary(each));
        const sum = (list: typeof flows) => list.reduce((all, each) => all + each.watts, 0);
        const given = sum(flows.filter((each) => each.kind === 'source'));
        const taken = sum(flows.filter((each) => each.kind !== 'source'));
        expect(taken).toBeLessThanOrEqual(given * (1 + 1e-9) + 1e-9);
        // The rest is the heat in its windings.
        expect(taken).toBeGreaterThanOrEqual(given * (transforms ? 0.8 : 1 - 1e-9) - 1e-9);
      }
    },
  );
});
