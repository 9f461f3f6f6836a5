import { useState } from 'react';
import { Field } from './Field';

interface Props {
  label: string;
  testID: string;
  value: number | undefined;
  /** Hears a number that is whole and within its bounds, and undefined for an empty field. */
  change: (value: number | undefined) => void;
  least?: number;
  most?: number;
  /** A number must stand there. */
  wanted?: boolean;
}

/** A number as it is typed, with a point or a comma; what is none is said at once and goes nowhere. */
export function NumberField({
  label,
  testID,
  value,
  change,
  least = 0,
  most = 1e6,
  wanted = false,
}: Props) {
  const [typed, setTyped] = useState<string>();
  const fault = typed === undefined ? undefined : faultOf(typed, least, most, wanted);
  return (
    <Field
      label={label}
      testID={testID}
      inputMode="decimal"
      maxLength={12}
      value={typed ?? (value === undefined ? '' : String(value))}
      onChangeText={(text) => {
        setTyped(text);
        if (faultOf(text, least, most, wanted) === undefined) change(read(text));
      }}
      onBlur={() => {
        if (fault === undefined) setTyped(undefined);
      }}
      {...(fault !== undefined && { fault })}
    />
  );
}

const read = (text: string): number | undefined =>
  text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'));

function faultOf(text: string, least: number, most: number, wanted: boolean): string | undefined {
  const value = read(text);
  if (value === undefined) return wanted ? 'A number, please.' : undefined;
  if (!Number.isFinite(value)) return 'A number, such as 12.5.';
  return value < least || value > most ? `From ${least} to ${most}.` : undefined;
}
