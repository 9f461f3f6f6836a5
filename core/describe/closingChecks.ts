import { CHECK_FIGURES, type Check, type Checked, type Grade } from '../call/closingCheck';
import type { Diagram } from '../diagram/diagram';
import type { CheckDue } from '../plan/closingChecks';
import { nameOfOwner } from './fault';

/** What each check is called and how it is done: common practice; the maker's sheet and local codes go before it. */
const WORDS: Record<Check, { name: string; how: string }> = {
  safety: { name: 'stops the unit', how: 'It stops the unit when it should. Tried, not supposed.' },
  corner: {
    name: 'pulled by its corner',
    how: 'Shut, pulled by a corner, lifted and pushed: no contact lets go, and ajar it does not run.',
  },
  cycles: {
    name: 'several cycles',
    how: 'On and off again by what really moves it, three times and more: how many were seen?',
  },
  frame: {
    name: 'Frame',
    how: 'Unplugged: each leg to the frame reads open, and the frame to the ground pin near zero.',
  },
  'gas-joints': {
    name: 'Gas joints',
    how: 'Every gas joint that was touched: soap or a detector, with the burner on. No smell low down.',
  },
  flame: {
    name: 'Flame',
    how: 'Starts in a row, the flame looked at each time: how many went right?',
  },
  draft: {
    name: 'Draft',
    how: 'Measured in the flue once it is warm, with doors and windows shut; what the maker asks for.',
  },
  'carbon-monoxide': {
    name: 'Carbon monoxide',
    how: 'Measured where it leaves and in the room, after it has burnt steadily; no more than the maker and the code allow.',
  },
  'temperature-rise': {
    name: 'Temperature rise',
    how: 'Air out less air in, once it is steady, out of sight of the heat: between the figures on the plate.',
  },
  leakage: {
    name: 'Microwave leakage',
    how: 'By a meter made for it, in licensed hands: a load of water in the cavity, around the door, the door pulled. No more than 5 mW/cm² at 5 cm, or what the maker allows.',
  },
  hoses: { name: 'Water', how: 'Hoses and joints dry after a whole fill and drain.' },
  caps: {
    name: 'Refrigerant',
    how: 'Caps on, no oil at a joint; pressures only by somebody with a licence.',
  },
  capacitor: { name: 'Capacitor', how: 'Its cover on, the discharge lead taken off.' },
  airway: { name: 'Air', how: 'Filter in, airway open, air felt at the outlet.' },
  covers: {
    name: 'Covers',
    how: 'Covers and screws on, no wire pinched or against an edge, every plug pushed home.',
  },
  run: { name: 'Whole run', how: 'One whole run of what was complained of, watched to its end.' },
};

/** "Lid switch: stops the unit", "Microwave leakage". */
export const nameCheck = (diagram: Diagram, { check, of }: Pick<CheckDue, 'check' | 'of'>) =>
  of === undefined ? WORDS[check].name : `${nameOfOwner(diagram, of) ?? of}: ${WORDS[check].name}`;

/** How a check is done. */
export const howCheck = (check: Check): string => WORDS[check].how;

export const GRADE_WORDS: Record<Grade, string> = {
  finger: 'by finger',
  actuator: 'by what moves it',
  run: 'in a run',
};

/** What came of a check: "right, 1.2 mW/cm²", "not done: no meter on the truck". */
export function sayChecked({ check, outcome, grade, value, words }: Checked): string {
  const unit = CHECK_FIGURES[check]?.unit ?? '';
  const shown = [
    ...(value === undefined ? [] : [`${value} ${unit}`]),
    ...(grade === undefined ? [] : [GRADE_WORDS[grade]]),
  ].join(', ');
  const end = words === undefined ? '' : `: ${words}`;
  const said = { right: 'right', wrong: 'not right', 'not-done': 'not done' }[outcome];
  return `${said}${shown && `, ${shown}`}${end}`;
}

/** Checks as a report has them: a line for each that was spoken of, and one for all that were not. */
export function sayChecks(diagram: Diagram, checks: readonly CheckDue[]): string[] {
  const open = checks.filter(({ said }) => !said).map((each) => nameCheck(diagram, each));
  return [
    ...checks.filter(({ said }) => said).map((each) => sayCheckDue(diagram, each)),
    ...(open.length ? [`Not done: ${open.join('; ')}`] : []),
  ];
}

/** A check that is due, with what came of it: "Frame: right", "Microwave leakage: not said yet". */
export const sayCheckDue = (diagram: Diagram, due: CheckDue): string =>
  `${nameCheck(diagram, due)}: ${due.said ? sayChecked(due.said) : 'not said yet'}`;
