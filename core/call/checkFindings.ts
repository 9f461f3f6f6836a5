import type { Diagram } from '../diagram/diagram';
import {
  CHECK_FIGURES,
  GRADES,
  isOfOne,
  isWithin,
  type Checked,
  type CheckFigure,
} from './closingCheck';

/** A check names what it is of, has its figure where one is read, and is not right beyond what is allowed. */
export function inCheck(
  diagram: Diagram,
  { check, of, outcome, grade, value }: Checked,
  report: (path: string, message: string) => void,
): void {
  if (isOfOne(check)) {
    const known = [...diagram.parts, ...diagram.actuators].map(({ id }) => id);
    if (of === undefined) report('/of', 'say which part or control it is of');
    else if (!known.includes(of)) report('/of', `there is no part or control "${of}"`);
  } else if (of !== undefined) report('/of', 'is asked of the unit as a whole: leave it out');
  if (check !== 'safety' && grade !== undefined)
    report('/grade', 'only of a safety switch is said how it was tried');
  if (outcome === 'not-done') return;
  if (check === 'safety' && outcome === 'right' && grade === undefined)
    report('/grade', `say how it was tried: ${GRADES.join(', ')}`);
  const figure = CHECK_FIGURES[check];
  if (!figure) {
    if (value !== undefined) report('/value', 'nothing is measured in this check');
  } else if (value === undefined)
    report('/value', `say what was read or counted, in ${figure.unit}`);
  else if (outcome === 'right' && !isWithin(figure, value))
    report('/value', `${value} ${figure.unit} is not right: ${sayLimit(figure)}`);
}

const sayLimit = ({ unit, most, least }: CheckFigure): string =>
  most === undefined ? `at least ${least} ${unit}` : `at most ${most} ${unit}`;
