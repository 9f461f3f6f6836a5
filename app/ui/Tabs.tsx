import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { space, useTheme } from '../theme/theme';
import { Button } from './Button';

interface Props<Pane extends string> {
  /** What each pane is called, in their order. */
  names: Record<Pane, string>;
  /** What the panes are of. */
  label: string;
  chosen: Pane;
  choose: (pane: Pane) => void;
}

/** Panes of one screen, one shown at a time; arrows go from one to the next, Tab goes into the pane. */
export function Tabs<Pane extends string>({ names, label, chosen, choose }: Props<Pane>) {
  const palette = useTheme();
  const bar = useRef<View>(null);
  const panes = Object.keys(names) as Pane[];
  const press = (event: KeyboardEvent): void => {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const to = step && panes[(panes.indexOf(chosen) + step + panes.length) % panes.length];
    if (!to) return;
    event.preventDefault();
    choose(to);
    const tabs = (bar.current as unknown as HTMLElement).querySelectorAll('[role=tab]');
    (tabs[panes.indexOf(to)] as HTMLElement).focus();
  };
  return (
    <View ref={bar} role="tablist" aria-label={label} style={styles.tabs} {...{ onKeyDown: press }}>
      {panes.map((each) => (
        <Button
          key={each}
          role="tab"
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
