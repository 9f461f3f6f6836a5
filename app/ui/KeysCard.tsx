import { StyleSheet, View } from 'react-native';
import { radius, space, useTheme } from '../theme/theme';
import { Button } from './Button';
import { Type } from './Type';
import { useFocus } from './useFocus';

/** A key of the keyboard, and what it does on the screen that is shown. */
export type KeyHint = readonly [key: string, does: string];

/** On every screen. */
const ALWAYS: readonly KeyHint[] = [
  ['Tab', 'goes to the next control, Shift and Tab to the one before'],
  ['Enter', 'presses the control that is framed'],
  ['← →', 'go between tabs, and between choices of one kind'],
  ['?', 'shows and hides these keys'],
];

/** Every key that does something here. */
export function KeysCard({ keys, close }: { keys: readonly KeyHint[]; close: () => void }) {
  const palette = useTheme();
  const view = useFocus('open', 'always');
  return (
    <View
      ref={view}
      tabIndex={-1}
      role="dialog"
      aria-label="Keys"
      testID="keys"
      style={[styles.card, { backgroundColor: palette.card, borderColor: palette.ink }]}
    >
      <Type weight="heavy" role="heading" aria-level={2}>
        Keys on this screen
      </Type>
      {[...keys, ...ALWAYS].map(([key, does]) => (
        <View key={`${key} ${does}`} style={styles.line}>
          <View style={[styles.key, { borderColor: palette.line }]}>
            <Type weight="mono">{key}</Type>
          </View>
          <Type style={styles.grow}>{does}</Type>
        </View>
      ))}
      <Button label="Close" icon="x" testID="keys-close" onPress={close} />
    </View>
  );
}

const styles = StyleSheet.create({
  card: {
    position: 'absolute',
    right: space.l,
    top: space.xxl,
    width: 440,
    maxWidth: '92%',
    zIndex: 10,
    borderWidth: 2,
    borderRadius: radius.medium,
    padding: space.l,
    gap: space.s,
  },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  key: {
    minWidth: 56,
    borderWidth: 1,
    borderRadius: radius.small,
    alignItems: 'center',
    paddingHorizontal: space.s,
  },
  grow: { flex: 1 },
});
