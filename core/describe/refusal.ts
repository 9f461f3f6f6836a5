import type { Reason, Refusal } from '../call/refusal';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { toolKey, toolsOf } from '../plan/tools';
import { sayPoint } from './point';

/** Why a test is not done, as somebody says it. */
export const REASON_WORDS: Record<Reason, string> = {
  'cannot-reach': 'Cannot get behind there',
  'no-tool': 'No tool for it',
  'no-helper': 'Nobody to help',
  'no-clips': 'No clips',
  'not-live': 'Not live today',
  'no-time': 'Takes too long',
  'no-terminal': 'Terminal is not there',
  'already-known': 'Already known',
  'nobody-knows': 'Nobody knows',
};

/** A refusal in one line: the reason, and what it speaks of. */
export function sayRefusal(diagram: Diagram, { why, of }: Refusal): string {
  const panels = diagram.panels.filter(({ id }) => of.includes(id)).map(({ name }) => name);
  const [first] = of;
  const tool = toolsOf(diagram).find((each) => of.includes(toolKey(each)));
  const named =
    tool !== undefined
      ? tool
      : panels.length > 0
        ? panels.join(', ')
        : why === 'no-terminal' && first !== undefined
          ? sayPoint(diagram, first as TerminalRef)
          : undefined;
  const about = of.length > 0 && named === undefined ? 'one test' : named;
  return about === undefined ? REASON_WORDS[why] : `${REASON_WORDS[why]}: ${about}`;
}
