import { StyleSheet, useWindowDimensions } from 'react-native';
import { space, useTheme } from '../theme/theme';
import { OneOf } from './OneOf';

interface Props<Pane extends string> {
  /** What each pane is called, in their order. */
  names: Record<Pane, string>;
  /** What the panes are of. */
  label: string;
  chosen: Pane;
  choose: (pane: Pane) => void;
}

/** Narrower, or with text that much larger, they do not fit into one line. */
const TABS_FROM = 340;

/** Panes of one screen, one shown at a time. */
export function Tabs<Pane extends string>({ names, label, chosen, choose }: Props<Pane>) {
  const palette = useTheme();
  const { width } = useWindowDimensions();
  const panes = Object.keys(names) as Pane[];
  return (
    <OneOf
      as="tabs"
      label={label}
      choices={panes.map((id) => ({
        id,
        label: names[id],
        testID: `pane-${id}`,
        style: {
          ...styles.tab,
          flexGrow: names[id].length,
          ...(id === chosen && { borderBottomColor: palette.ink }),
        },
      }))}
      chosen={chosen}
      choose={choose}
      style={width < TABS_FROM ? styles.wrapped : styles.tabs}
    />
  );
}

const styles = StyleSheet.create({
  tabs: { flexWrap: 'nowrap', gap: 0 },
  wrapped: { gap: 0 },
  tab: { flexBasis: 'auto', paddingHorizontal: space.xs, borderBottomWidth: 3, borderRadius: 0 },
});
