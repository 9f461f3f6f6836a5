import type { Actuator, Diagram, Part, SwitchPart } from '../diagram/diagram';

/**
 * What is bought for a part and changed along with it, how it is put in, and how it is proved, a sentence each:
 * common practice; the maker's sheet goes before it. Nothing for what is no part: a supply, a wire, a condition.
 */
export function sayNewPart(diagram: Diagram, id: string | undefined): string[] {
  const part = diagram.parts.find((each) => each.id === id);
  if (!part) return [];
  const names = part.companions?.flatMap(
    (each) => diagram.parts.find((other) => other.id === each)?.name ?? [],
  );
  const usual = usualOf(diagram, part);
  const mounting = part.mounting ?? usual.mounting;
  return [
    ...(part.soldAs !== undefined ? [`Sold as: ${part.soldAs}.`] : []),
    ...(names?.length ? [`Change or look at with it: ${names.join(', ')}.`] : []),
    ...(mounting !== undefined ? [`Putting it in: ${mounting}`] : []),
    `Proved by: ${part.provedBy ?? usual.provedBy}`,
  ];
}

interface Usual {
  mounting?: string;
  provedBy: string;
}

function usualOf(diagram: Diagram, part: Part): Usual {
  switch (part.kind) {
    case 'switch':
      return ofSwitch(
        part,
        diagram.actuators.find((each) => each.id === part.actuator),
      );
    case 'load':
      return OF_LOAD[part.load];
    case 'protector':
      return OF_PROTECTOR[part.protector];
    case 'board':
      return {
        mounting:
          'Touch bare metal first; on its standoffs, nothing under it, every plug by its key; links and switches set as on the old one.',
        provedBy: 'One whole run: each of its states in turn, and no code left.',
      };
    case 'connection':
      return {
        mounting:
          'Wire ends cut back to bright metal, the right terminals crimped; each blade tight on its own, the housing locked.',
        provedBy:
          'Read through it while the wires are moved; then warm to the hand after a run, no more.',
      };
    case 'hardware':
      return {
        provedBy: 'What it moves goes over at the right moment, several times in a row.',
      };
  }
}

function ofSwitch(part: SwitchPart, actuator: Actuator | undefined): Usual {
  if (actuator?.kind === 'quantity')
    return {
      mounting:
        actuator.quantity === 'temperature'
          ? 'Flat on clean metal or its bulb in its clips, as the old one sat; same figures stamped on it.'
          : 'The way round that the old one hung; its hose or fitting tight and free of water; same figures stamped on it.',
      provedBy: `Read at rest, then in use: it goes over where it should, the ${actuator.name.toLowerCase()} measured then.`,
    };
  if (part.handless)
    return {
      mounting: 'Plugged or soldered as the old one, coil and contacts not mixed up.',
      provedBy: 'Volts across its contacts, driven and not: next to nothing, and all of them.',
    };
  if (actuator?.kind === 'hand' && actuator.shape === 'knob')
    return {
      mounting: 'Flat of the shaft and locating tab as on the old one; one wire at a time.',
      provedBy: 'Every position read cold at its own terminals, then one whole run.',
    };
  return {
    mounting:
      'Plunger or lever towards what presses it, snapped or screwed home, without play; one wire at a time.',
    provedBy: part.safety
      ? 'Read cold in every position at its own terminals; then in use: it stops the unit when it should.'
      : 'Read cold in every position at its own terminals, then in use.',
  };
}

const OF_LOAD: Record<Extract<Part, { kind: 'load' }>['load'], Usual> = {
  heater: {
    mounting:
      'Nothing of it touches metal; terminals straight and tight; brittle ones held by the ends only.',
    provedBy: 'Its ohms, each end to the frame open, then its amperes by clamp against its plate.',
  },
  motor: {
    mounting:
      'Turns free by hand before it is wired; leads by the map, mounts and ground strap back.',
    provedBy: 'Starts by itself three times in a row; its amperes under load against its plate.',
  },
  coil: {
    mounting: 'The way round that the old one sat; arrows of a valve with the flow.',
    provedBy: 'Its ohms, then it pulls in and lets go several times.',
  },
  transformer: {
    mounting:
      'Primary for the volts that are there: the wrong tap burns it or starves what it feeds.',
    provedBy: 'Its volts with all of its load on.',
  },
  lamp: {
    mounting: 'Same volts and watts; no bare fingers on a halogen one.',
    provedBy: 'Lit and dark at the right moments.',
  },
};

const OF_PROTECTOR: Record<Extract<Part, { kind: 'protector' }>['protector'], Usual> = {
  fuse: {
    mounting: 'Same amperes, volts and speed; its holder tight and bright.',
    provedBy: 'Whole after one run with everything on, once what opened it is found.',
  },
  'thermal-cut-off': {
    mounting: 'Flat on clean metal as the old one, same figures; crimped, never soldered.',
    provedBy: 'Whole after one long run, what it sits on measured and well below its figure.',
  },
  overload: {
    mounting: 'Against the metal of the motor that it watches; same figures.',
    provedBy: 'Stays closed through a run under load; the amperes by clamp below its own.',
  },
};
