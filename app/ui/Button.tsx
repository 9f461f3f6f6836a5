import { Pressable, StyleSheet, useWindowDimensions, View, type ViewStyle } from 'react-native';
import { radius, space, touch, useTheme, WIDE_FROM } from '../theme/theme';
import { Type } from './Type';
import { Icon, type IconName } from './Icon';

interface Props {
  label: string;
  onPress: () => void;
  testID: string;
  /** The one thing to do next is `act`; everything else is quiet. */
  look?: 'act' | 'quiet' | 'bare';
  icon?: IconName;
  /** Key on a keyboard that does the same, shown on wide screens. */
  shortcut?: string;
  disabled?: boolean;
  selected?: boolean;
  hint?: string;
  /** One of several of which one is chosen: a tab, or a choice in a group. */
  role?: 'tab' | 'radio';
  /** Whether Tab comes to it; to one of several only, arrows go on from there (`OneOf.tsx`). */
  reached?: boolean;
  style?: ViewStyle;
}

export function Button({
  label,
  onPress,
  testID,
  look = 'quiet',
  icon,
  shortcut,
  disabled,
  selected,
  hint,
  role,
  reached = true,
  style,
}: Props) {
  const palette = useTheme();
  const colour = look === 'act' ? palette.onAct : palette.ink;
  const ground: ViewStyle =
    look === 'act'
      ? { backgroundColor: palette.act, borderColor: palette.act }
      : look === 'quiet'
        ? {
            backgroundColor: selected ? palette.sunk : palette.card,
            borderColor: selected ? palette.ink : palette.line,
          }
        : { borderColor: 'transparent' };
  return (
    <Pressable
      role={role ?? 'button'}
      accessibilityLabel={hint ?? label}
      aria-pressed={role ? undefined : selected}
      aria-selected={role === 'tab' ? selected : undefined}
      aria-checked={role === 'radio' ? selected : undefined}
      tabIndex={reached ? 0 : -1}
      testID={testID}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed }) => [
        styles.button,
        ground,
        pressed && styles.pressed,
        disabled && styles.disabled,
        style,
      ]}
    >
      {icon && <Icon name={icon} size={20} color={colour} />}
      <Type weight="strong" style={[styles.label, { color: colour }]} numberOfLines={2}>
        {label}
      </Type>
      {shortcut && <Shortcut of={shortcut} colour={colour} />}
    </Pressable>
  );
}

/** Who has a narrow screen has no keyboard, mostly, and no room. */
function Shortcut({ of, colour }: { of: string; colour: string }) {
  if (useWindowDimensions().width < WIDE_FROM) return null;
  return (
    <View style={[styles.shortcut, { borderColor: colour }]}>
      <Type size="small" weight="mono" style={{ color: colour }}>
        {of}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: touch.button,
    maxWidth: '100%',
    borderRadius: radius.medium,
    borderWidth: 1.5,
    paddingHorizontal: space.l,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.s,
  },
  // A long name goes on in a second line and not out of its card.
  label: { flexShrink: 1 },
  pressed: { opacity: 0.75 },
  disabled: { opacity: 0.4 },
  shortcut: { borderWidth: 1, borderRadius: radius.small, paddingHorizontal: space.xs + 2 },
});
