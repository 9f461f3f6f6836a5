import type { TerminalRef } from '../../core/diagram/diagram';
import { handActuator } from '../shelf/actuators';
import { joints } from '../shelf/connections';
import { heater } from '../shelf/loads';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { infiniteSwitch } from '../shelf/switches';
import { wires, type Assembly } from '../shelf/unit';

interface Burner {
  /** Put before all its ids; empty for the only burner of a unit. */
  prefix: string;
  /** Where it is: "left front". */
  place: string;
  inches: number;
  watts: number;
  /** What feeds its two legs, and where its pilot leg goes. */
  line: [l1: TerminalRef, l2: TerminalRef];
  pilot: TerminalRef;
  panels: { controls: string; top: string };
}

/** A coil burner: knob, infinite switch, receptacle block and coil, with the wires between them. */
export const coilBurnerOf = ({
  prefix: p,
  place,
  inches,
  watts,
  line,
  pilot,
  panels,
}: Burner): Assembly => {
  const place0 = p ? `${place} ` : '';
  return {
    actuators: [
      handActuator(
        `${p}knob`,
        p ? `Knob, ${place}` : `${place[0]?.toUpperCase()}${place.slice(1)} knob`,
        'knob',
        {
          off: `${place0}knob at OFF`,
          low: `${place0}knob at LOW`,
          high: `${place0}knob at HIGH`,
        },
      ),
    ],
    parts: [
      infiniteSwitch(
        {
          id: `${p}infinite`,
          actuator: `${p}knob`,
          name: `Infinite switch, ${place}`,
          aliases: [
            { word: 'burner control' },
            { word: 'thermostat', trap: 'the oven has a real thermostat' },
          ],
          causes: [...CAUSES.burntTab],
          prior: commonPractice(3),
          panel: panels.controls,
          where: `Behind the ${place} knob, H terminals towards the glass`,
        },
        watts / 240,
      ),
      joints(
        {
          id: `${p}block`,
          name: p ? `Receptacle block, ${place}` : 'Receptacle block',
          role: 'holds the coil’s pins',
          causes: [...CAUSES.pins],
          companions: [`${p}coil`],
          prior: commonPractice(3),
          panel: panels.top,
        },
        [
          ['a', 'pin1'],
          ['b', 'pin2'],
        ],
      ),
      {
        ...heater(
          {
            id: `${p}coil`,
            name: p ? `Coil element, ${place}, ${inches} in` : `Coil element, ${inches} in`,
            role: 'the burner',
            seenAs: { name: p ? `Burner, ${place}` : 'Burner' },
            companions: [`${p}block`],
            prior: commonPractice(4),
            panel: panels.top,
          },
          watts,
          240,
        ),
      },
    ],
    wires: wires(
      `
        BK ${line[0]} ${p}infinite.L1
        RD ${line[1]} ${p}infinite.L2
        BU ${p}infinite.H1 ${p}block.a
        YE ${p}infinite.H2 ${p}block.b
        GY ${p}infinite.P ${pilot}
        NA ${p}block.pin1 ${p}coil.a
        NA ${p}block.pin2 ${p}coil.b
      `,
      p || 'w',
    ),
    looks: [
      look(
        `${p}pins`,
        p
          ? `Burnt or loose pins of the ${place} coil in its block`
          : 'Burnt or loose pins of the coil in its block',
        [`${p}block`, `${p}coil:open`, `${p || 'w'}6:wire-open`, `${p || 'w'}7:wire-open`],
        [0.6, 0.05],
        1,
        { panel: panels.top },
      ),
    ],
    uses: [
      {
        id: p ? p.slice(0, -1) : 'burn',
        name: p ? `Burner ${place} on, low and off again` : 'Burner on, low and off again',
        steps: `${p}knob=high,wait=60,${p}knob=low,wait=120,${p}knob=off,wait=60`,
      },
    ],
  };
};
