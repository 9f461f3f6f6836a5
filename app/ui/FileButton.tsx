import { createElement, useRef } from 'react';
import { Button } from './Button';
import type { IconName } from './Icon';

interface Props {
  label: string;
  icon: IconName;
  testID: string;
  /** What the hidden field is called, by a test and by who cannot see it. */
  field: { testID: string; name: string; accept: string; capture?: 'environment' };
  chosen: (file: File) => void;
}

/** A button that asks for one file, or takes it by the camera; the same file may be chosen once more. */
export function FileButton({ label, icon, testID, field, chosen }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button icon={icon} label={label} testID={testID} onPress={() => input.current?.click()} />
      {createElement('input', {
        ref: input,
        type: 'file',
        accept: field.accept,
        capture: field.capture,
        'data-testid': field.testID,
        'aria-label': field.name,
        style: { display: 'none' },
        onChange: ({ target }: { target: HTMLInputElement }) => {
          const [file] = target.files ?? [];
          if (file) chosen(file);
          target.value = '';
        },
      })}
    </>
  );
}
