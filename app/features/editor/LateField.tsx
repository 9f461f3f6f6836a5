import { useState } from 'react';
import { Field } from '../../ui/Field';

interface Props {
  label: string;
  testID: string;
  value: string;
  /** Takes what was typed once the field is left; says what is wrong with it, and it is not taken. */
  take: (text: string) => string | undefined;
  numeric?: boolean;
}

/** A field whose text counts when it is left, or Enter is pressed: half a name is no name. */
export function LateField({ label, testID, value, take, numeric = false }: Props) {
  const [typed, setTyped] = useState<{ text: string; over: string }>();
  const [fault, setFault] = useState<string>();
  // What was changed elsewhere meanwhile, by undo, is shown.
  const text = typed && typed.over === value ? typed.text : value;
  const leave = (): void => {
    if (text === value) return setFault(undefined);
    const wrong = take(text.trim());
    setFault(wrong);
    if (wrong === undefined) setTyped(undefined);
  };
  return (
    <Field
      label={label}
      testID={testID}
      value={text}
      onChangeText={(to) => setTyped({ text: to, over: value })}
      onBlur={leave}
      onSubmitEditing={leave}
      {...(numeric && { inputMode: 'decimal' as const })}
      {...(fault !== undefined && { fault })}
    />
  );
}

/** A number as it is typed, with a comma or a point; undefined where it is none above zero. */
export function positive(text: string): number | undefined {
  const value = Number(text.replace(',', '.'));
  return text.trim() && Number.isFinite(value) && value > 0 ? value : undefined;
}
