/** What a person types: a number with its unit, one of some choices, or a text. */
export type Input = { id: string; label: string } & (
  | { kind: 'number'; unit: string; usual: number; least: number; most: number }
  | { kind: 'choice'; usual: string; choices: { id: string; label: string }[] }
  | { kind: 'text'; usual: string; like: string }
);

/** Everything that was typed, by the id of its input. */
export type Values = Readonly<Record<string, number | string>>;

/** One line of what comes out. */
export interface Line {
  label: string;
  /** As it is read: "48.0 Ω". */
  says: string;
}

export interface CalculatorAnswer {
  lines: Line[];
  /** What to mind; what is dangerous first. */
  mind?: string[];
}

/** A calculation of the trade: shown with its formula, its source, and the numbers put in. */
export interface Calculator {
  id: string;
  name: string;
  /** What it is for, in a few words. */
  asks: string;
  inputs: readonly Input[];
  formula: string;
  source: string;
  /** @returns undefined where what was typed gives nothing, such as nought ohm to divide by */
  answer: (values: Values) => CalculatorAnswer | undefined;
}

/** An input of a number. */
export const number = (
  id: string,
  label: string,
  unit: string,
  usual: number,
  { least = 0, most = 1e6 }: { least?: number; most?: number } = {},
): Input => ({ id, label, kind: 'number', unit, usual, least, most });

/** A value that was typed as a number. */
export const numberIn = (values: Values, id: string): number => Number(values[id]);
export const textIn = (values: Values, id: string): string => String(values[id] ?? '');

/** The usual value of each input. */
export const usualValues = ({ inputs }: Pick<Calculator, 'inputs'>): Values =>
  Object.fromEntries(inputs.map(({ id, usual }) => [id, usual]));

/** What is wrong with a value; undefined for one that is whole and within its bounds. */
export function wrongValue(input: Input, value: number | string | undefined): string | undefined {
  switch (input.kind) {
    case 'number': {
      if (typeof value !== 'number' || !Number.isFinite(value)) return 'a number is wanted';
      const { least, most } = input;
      return value < least || value > most ? `from ${least} to ${most}` : undefined;
    }
    case 'choice':
      return input.choices.some(({ id }) => id === value) ? undefined : 'choose one';
    case 'text':
      return typeof value === 'string' && value.trim() ? undefined : `write it like ${input.like}`;
  }
}

/** A number with as many figures as it is worth, and its unit: "48.0 Ω", "0.08 Ω". */
export function withUnit(value: number, unit: string, figures = 3): string {
  const rounded = Number(value.toPrecision(figures));
  const size = Math.abs(rounded);
  const places = size === 0 ? 0 : Math.max(0, figures - 1 - Math.floor(Math.log10(size)));
  return `${rounded.toFixed(Math.min(places, 6))} ${unit}`.trim();
}
