import { router } from 'expo-router';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from '../../ui/Button';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { useKeys } from '../../ui/useKeys';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change, type ThemeChoice } from '../../state/settings';
import { space, WIDE_FROM } from '../../theme/theme';
import { CallsList, LIST_KEYS } from './CallsList';
import { BesideList } from './BesideList';

const KEYS: readonly KeyHint[] = [
  ...LIST_KEYS,
  ['D', 'the diagrams'],
  ['T', 'light, dark, or as the device has it'],
];

/** The calls; wide, with room beside them for the one that is opened. */
export function CallsScreen() {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  return (
    <Screen title="Calls" actions={<Actions />} keys={KEYS}>
      {wide ? (
        <BesideList>
          <Notice
            icon="arrow-left"
            title="Choose a call, or begin a new one"
            text="It opens here, beside the list."
            testID="choose-call"
          />
        </BesideList>
      ) : (
        <CallsList />
      )}
    </Screen>
  );
}

const NEXT_THEME: Record<ThemeChoice, ThemeChoice> = { auto: 'dark', dark: 'light', light: 'auto' };
const THEME_ICON = { auto: 'smartphone', dark: 'moon', light: 'sun' } as const;

function Actions() {
  const diagrams = (): void => router.navigate('/diagrams');
  useKeys({ d: diagrams });
  return (
    <View style={styles.row}>
      <Button
        look="bare"
        icon="book-open"
        label="Diagrams"
        testID="diagrams-link"
        shortcut="D"
        onPress={diagrams}
      />
      <ThemeButton />
    </View>
  );
}

function ThemeButton() {
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.settings.theme);
  const next = (): void => void dispatch(change({ theme: NEXT_THEME[theme] }));
  useKeys({ t: next });
  return (
    <Button
      look="bare"
      icon={THEME_ICON[theme]}
      label={theme === 'auto' ? 'Auto' : theme === 'dark' ? 'Dark' : 'Light'}
      hint={`Colours: ${theme}; change to ${NEXT_THEME[theme]}`}
      testID="theme"
      shortcut="T"
      onPress={next}
    />
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    flexShrink: 1,
    columnGap: space.s,
    alignItems: 'center',
  },
});
