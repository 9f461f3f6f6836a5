import type { DraftFinding, Mend } from '../draft/draftLint';
import type { Diagram } from '../diagram/diagram';
import { owners } from '../diagram/terminal';
import { sayPosition } from './position';

/** What is found in a draft, as a sentence that names what it is about. */
export function sayFinding(draft: Diagram, finding: DraftFinding): string {
  const name = nameIn(draft, finding.about);
  switch (finding.kind) {
    case 'unsound':
      return finding.message;
    case 'no-parts':
      return 'There is no part yet: type the first line, from one rail to the other.';
    case 'no-supply':
      return 'Nothing feeds it: a line begins at a rail, L1, N, R or +.';
    case 'not-wired':
      return `${name} has no wire at all.`;
    case 'no-wire':
      return `Nothing is wired to ${finding.terminal} of ${name}. An idle throw may be so.`;
    case 'never-runs':
      return `${name} can never run: no position of the controls brings both sides of a supply to it.`;
    case 'no-set-points':
      return `At which value ${name} goes over is not known: open can be right then, and it is never named for standing open.`;
    case 'constant':
      return `${finding.contact} of ${name} is ${finding.state} in every position.`;
    case 'shorted':
      return `${name} is shorted by metal alone with ${sayStand(draft, finding.at)}.`;
    case 'moves-nothing':
      return `${name} moves no switch.`;
    case 'never-reached':
      return `${name} goes over at ${finding.at}, and ${nameIn(draft, finding.actuator)} is never driven past ${finding.to}.`;
    case 'alike':
      return `Two are called ${name}: nobody could tell which is meant.`;
  }
}

/** The tap that puts it right. */
export const sayMend = (draft: Diagram, mend: Mend): string =>
  'remove' in mend ? `Take ${nameIn(draft, mend.remove)} out` : `Call this one ${mend.to}`;

function sayStand(draft: Diagram, at: Record<string, string>): string {
  const said = Object.entries(at).flatMap(([id, position]) => {
    const actuator = draft.actuators.find((each) => each.id === id);
    if (!actuator || actuator.kind === 'driven') return [];
    return [sayPosition(draft, id, position)];
  });
  return said.length ? said.join(', ') : 'nothing moved';
}

function nameIn(draft: Diagram, id: string | undefined): string {
  const named = [...owners(draft), ...draft.actuators].find((each) => each.id === id);
  const wire = draft.wires.find((each) => each.id === id);
  return named?.name ?? (wire ? `Wire ${wire.colour}` : 'The unit');
}
