import { StyleSheet, View } from 'react-native';
import { space, useTheme } from '../theme/theme';
import { Button } from './Button';

interface Props<Pane extends string> {
  /** What each pane is called, in their order. */
  names: Record<Pane, string>;
  chosen: Pane;
  choose: (pane: Pane) => void;
}

/** Panes of one screen, one shown at a time. */
export function Tabs<Pane extends string>({ names, chosen, choose }: Props<Pane>) {
  const palette = useTheme();
  return (
    <View style={styles.tabs}>
      {(Object.keys(names) as Pane[]).map((each) => (
        <Button
          key={each}
          look="bare"
          label={names[each]}
          testID={`pane-${each}`}
          selected={each === chosen}
          onPress={() => choose(each)}
          style={{
            ...styles.tab,
            flexGrow: names[each].length,
            ...(each === chosen && { borderBottomColor: palette.ink }),
          }}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  tabs: { flexDirection: 'row' },
  tab: { flexBasis: 'auto', paddingHorizontal: space.xs, borderBottomWidth: 3, borderRadius: 0 },
});
