import type { LoadPart, SwitchPart } from '../../core/diagram/diagram';
import { heater } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { setPointSwitch } from '../shelf/switches';

const SOLD_AS = 'the element with its limiter and hot-surface contact';
const FOLLOWS = 'It cannot be moved by hand: it follows the heat of the glass.';

/** A radiant burner under glass. */
interface Radiant {
  /** Ids and names of its parts: the limiter, the hot-surface contact, and each ring of the element with its watts. */
  limiter: [id: string, name: string, amps: number];
  hot: [id: string, name: string];
  rings: {
    id: string;
    name: string;
    watts: number;
    weight?: number;
    seenAs?: LoadPart['seenAs'];
  }[];
  /** The heat of the glass over it. */
  glass: string;
}

/** The three parts of a radiant burner that are sold as one: limiter, hot-surface contact, element. */
export const radiantElement = ({
  limiter,
  hot,
  rings,
  glass,
}: Radiant): (SwitchPart | LoadPart)[] => [
  setPointSwitch(
    {
      id: limiter[0],
      name: limiter[1],
      role: 'opens when the glass gets too hot',
      soldAs: SOLD_AS,
      prior: commonPractice(2),
      actuator: glass,
      safety: true,
      byHand: FOLLOWS,
      panel: 'top',
      where: 'At the rim of the element, the larger pair of terminals',
    },
    ['heater', limiter[2]],
    { opens: 1060, closes: 980, tolerance: 30 },
    ['P1', 'P2'],
  ),
  setPointSwitch(
    {
      id: hot[0],
      name: hot[1],
      role: 'lights the lamp while the glass is hot',
      soldAs: SOLD_AS,
      actuator: glass,
      byHand: FOLLOWS,
      panel: 'top',
      where: 'At the rim of the element, the smaller pair of terminals',
    },
    ['control', 0.1],
    { opens: 130, closes: 150, tolerance: 15 },
    ['S1', 'S2'],
  ),
  ...rings.map(({ id, name, watts, weight = 3, seenAs }): LoadPart => {
    const made = heater(
      {
        id,
        name,
        role: 'the burner',
        soldAs: SOLD_AS,
        causes: ['a pan that boils dry', 'a hard knock on the glass'],
        prior: commonPractice(weight),
        ...(seenAs && { seenAs }),
        panel: 'top',
      },
      watts,
      240,
      1.04,
    );
    return { ...made, elements: made.elements.map((each) => ({ ...each, id: 'ribbon' })) };
  }),
];
