import { router } from 'expo-router';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from '../../ui/Button';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change, type ThemeChoice } from '../../state/settings';
import { space, WIDE_FROM } from '../../theme/theme';
import { CallsList } from './CallsList';
import { BesideList } from './BesideList';

const KEYS: readonly KeyHint[] = [['N', 'a new call']];

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
  return (
    <View style={styles.row}>
      <Button
        look="bare"
        icon="book-open"
        label="Diagrams"
        testID="diagrams-link"
        onPress={() => router.navigate('/diagrams')}
      />
      <ThemeButton />
    </View>
  );
}

function ThemeButton() {
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.settings.theme);
  return (
    <Button
      look="bare"
      icon={THEME_ICON[theme]}
      label={theme === 'auto' ? 'Auto' : theme === 'dark' ? 'Dark' : 'Light'}
      hint={`Colours: ${theme}; change to ${NEXT_THEME[theme]}`}
      testID="theme"
      onPress={() => dispatch(change({ theme: NEXT_THEME[theme] }))}
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
