import { fail, ok, type Result } from '../result';

/** What the meter showed, as it was said. */
export type Display =
  | { kind: 'beep' }
  | { kind: 'silent' }
  /** OL, a lone 1 on the left, infinity: above the range in use. */
  | { kind: 'over' }
  | { kind: 'ohms'; ohms: number }
  /** Jumps between values while the probes are held still. */
  | { kind: 'unsteady' };

/** A word that people use both ways, with what it may have meant; or a text that is no display. */
export type DisplayProblem =
  | { kind: 'ask'; question: string; choices: { label: string; display: Display }[] }
  | { kind: 'unreadable'; message: string };

const OVER =
  /^(o\.?l\.?|0l|over ?load|over ?range|over ?limit|inf(inite|inity)?|∞|[1i] ?\.|1 {2,}\.?|lone 1|1 on the left)$/i;
const BEEP = /^(beeps?|beeping|buzz(es)?|tone|it beeped)$/i;
const SILENT = /^(silent|silence|no beep|no tone|quiet|does not beep)$/i;
const UNSTEADY = /^(unsteady|jumps?|jumping|jumpy|flickers?|erratic|comes and goes)$/i;
const BOTH_WAYS =
  /^(zero|zero reading|0 reading|no reading|nothing|none|dead|no continuity|reads zero|reads nothing|blank)$/i;
const OPINION = /^(open|closed|shorted|short|good|bad|continuity|fine|okay|ok)$/i;
const NUMBER = /^(-?\d+(?:[.,]\d+)?|-?[.,]\d+) ?(m|k|M|G)? ?(?:ohms?|Ω)?$/;
const WORDS: [RegExp, string][] = [
  [/ ?kil(o ?)?(ohms?|Ω)?$/i, 'k'],
  [/ ?meg(a|s)? ?(ohms?|Ω)?$/i, 'M'],
  [/ ?milli ?(ohms?|Ω)?$/i, 'milli'],
];
/** A multiplier written where the point belongs, as on a resistor: 4k7. */
const POINT_LETTER = /^(\d+)([kM])(\d+)$/;

const CHOICE_ZERO = {
  label: 'It showed 0.0 or close to it',
  display: { kind: 'ohms', ohms: 0 },
} as const;
const CHOICE_OVER = { label: 'It showed OL, a lone 1 or ∞', display: { kind: 'over' } } as const;
const CHOICE_SILENT = { label: 'The beeper stayed silent', display: { kind: 'silent' } } as const;
const CHOICE_BEEP = { label: 'It beeped', display: { kind: 'beep' } } as const;

const ask = (question: string, choices: { label: string; display: Display }[]) =>
  fail<DisplayProblem>({ kind: 'ask', question, choices });

/**
 * Reads what a person says the meter showed. Ohms without a unit are ohms. Words that are used both
 * ways ("zero reading" is said for 0.0 and for OL) are asked back, never guessed.
 */
export function parseDisplay(text: string): Result<Display, DisplayProblem> {
  const said = text.trim().replace(/[\t ]+/g, (gap) => (gap.length > 1 ? '  ' : ' '));
  if (said === '') return fail({ kind: 'unreadable', message: 'nothing was entered' });
  if (OVER.test(said)) return ok({ kind: 'over' });
  if (BEEP.test(said)) return ok({ kind: 'beep' });
  if (SILENT.test(said)) return ok({ kind: 'silent' });
  if (UNSTEADY.test(said)) return ok({ kind: 'unsteady' });
  if (BOTH_WAYS.test(said)) {
    return ask(`"${said}" is said for both ends of the scale. What was on the display?`, [
      CHOICE_ZERO,
      CHOICE_OVER,
      CHOICE_SILENT,
    ]);
  }
  if (OPINION.test(said)) {
    return ask(`"${said}" is a conclusion. What did the meter show?`, [
      CHOICE_BEEP,
      CHOICE_ZERO,
      CHOICE_SILENT,
      CHOICE_OVER,
    ]);
  }
  if (said === '1') {
    return ask('Is it a lone 1 at the left of the display, or the number 1?', [
      { label: 'A lone 1: above the range', display: { kind: 'over' } },
      { label: '1 ohm', display: { kind: 'ohms', ohms: 1 } },
    ]);
  }
  return parseNumber(said);
}

function parseNumber(said: string): Result<Display, DisplayProblem> {
  let text = said.replace(POINT_LETTER, '$1.$3$2');
  let factor = 1;
  for (const [word, unit] of WORDS) {
    if (!word.test(text)) continue;
    text = text.replace(word, '');
    factor = unit === 'k' ? 1e3 : unit === 'M' ? 1e6 : 1e-3;
    break;
  }
  const match = NUMBER.exec(text);
  if (!match?.[1]) {
    return fail({
      kind: 'unreadable',
      message: `"${said}" is not a display: write a number such as 0.3, 820k or 4.7M, or OL, beep, silent`,
    });
  }
  const value = Number(match[1].replace(',', '.'));
  if (value < 0) {
    return fail({
      kind: 'unreadable',
      message: `${said}: ohms below zero mean that something still feeds the circuit; prove it dead, then read again`,
    });
  }
  if (match[2] === 'm') {
    return ask(`A small m is milli, a capital M is mega. Which was it?`, [
      { label: `${value} megohm`, display: { kind: 'ohms', ohms: value * 1e6 } },
      { label: `${value} milliohm`, display: { kind: 'ohms', ohms: value / 1e3 } },
    ]);
  }
  if (match[2] === 'k') factor = 1e3;
  if (match[2] === 'M') factor = 1e6;
  if (match[2] === 'G') factor = 1e9;
  return ok({ kind: 'ohms', ohms: Number((value * factor).toPrecision(12)) });
}

/** Volts as a display says them, "24.1 V" or "80 mV", in volt; undefined for anything else. */
export function parseVolts(said: string): number | undefined {
  const [, number, unit] = /^([-+]?\d+(?:[.,]\d+)?) ?(mV|V)$/i.exec(said.trim()) ?? [];
  if (number === undefined || unit === undefined) return undefined;
  return Math.abs(Number(number.replace(',', '.'))) / (unit.toLowerCase() === 'mv' ? 1000 : 1);
}
