import { Pressable, StyleSheet } from 'react-native';
import { radius, touch, useTheme } from '../../theme/theme';
import { Icon } from '../../ui/Icon';
import { Type } from '../../ui/Type';

/** A key of the pad that takes what the meter showed. */
export interface KeypadKey {
  id: string;
  label: string;
  /** What it is on a keyboard. */
  letter?: string;
  press: () => void;
  tone?: 'word' | 'unit';
}

/**
 * One key.
 * @param letters whether the letter of a keyboard is shown on it
 * @param waiting whether what was typed waits for it
 */
export function PadKey({
  of: key,
  letters,
  waiting,
}: {
  of: KeypadKey;
  letters: boolean;
  waiting: boolean;
}) {
  const palette = useTheme();
  const ground = waiting ? palette.act : palette.card;
  const colour = waiting ? palette.onAct : palette.ink;
  const letter = letters && key.tone ? key.letter : undefined;
  return (
    <Pressable
      accessibilityRole="button"
      accessibilityLabel={NAMES[key.id] ?? key.label}
      testID={`key-${key.id}`}
      onPress={key.press}
      style={({ pressed }) => [
        styles.key,
        { backgroundColor: pressed ? palette.line : ground, borderColor: palette.line },
      ]}
    >
      {key.id === 'back' ? (
        <Icon name="delete" size={24} color={colour} />
      ) : (
        <Type
          size={key.tone === 'word' ? 'body' : 'title'}
          weight="heavy"
          style={{ color: colour }}
        >
          {key.label}
        </Type>
      )}
      {letter && (
        <Type size="small" weight="mono" style={{ color: waiting ? palette.onAct : palette.soft }}>
          {letter === 'Enter' ? '⏎' : letter.toUpperCase()}
        </Type>
      )}
    </Pressable>
  );
}

const NAMES: Record<string, string> = {
  beep: 'It beeps',
  silent: 'It stays silent',
  over: 'OL, above the range',
  'lone-one': 'A lone 1 at the left',
  jumps: 'It jumps',
  back: 'Delete the last digit',
  ohm: 'ohm',
  kilohm: 'kilohm',
  megohm: 'megohm',
  none: 'No volts',
  volt: 'volt',
  millivolt: 'millivolt',
  point: 'decimal point',
};

const styles = StyleSheet.create({
  key: {
    flex: 1,
    minHeight: touch.key,
    borderRadius: radius.small,
    borderWidth: 1,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
