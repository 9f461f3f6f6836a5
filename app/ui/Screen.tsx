import { Link } from 'expo-router';
import Head from 'expo-router/head';
import { useContext, useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { space, touch, useTheme } from '../theme/theme';
import { AboveScreen } from './AboveScreen';
import { KeysCard, type KeyHint } from './KeysCard';
import { useKeptPlace } from './lastPlace';
import { NewVersionStrip } from './NewVersionStrip';
import { ShopStrip } from './ShopStrip';
import { Type } from './Type';
import { useFocus } from './useFocus';
import { useKeys } from './useKeys';
import { WaitingStrip } from './WaitingStrip';
import { Icon } from './Icon';

interface Props {
  title: string;
  /** One line below the title: which appliance, which part. */
  under?: string;
  /** Where the arrow leads; none on the first screen. */
  back?: string;
  actions?: ReactNode;
  /** Keys of a keyboard that do something here. */
  keys?: readonly KeyHint[];
  children: ReactNode;
}

const NO_KEYS: readonly KeyHint[] = [];

/** The frame of every screen: where one is, how to get back, and whether anything still waits. */
export function Screen({ title, under, back, actions, keys = NO_KEYS, children }: Props) {
  const palette = useTheme();
  const above = useContext(AboveScreen);
  const [help, setHelp] = useState(false);
  const close = (): void => setHelp(false);
  useKeys({ '?': () => setHelp(!help), ...(help && { Escape: close }) });
  useKeptPlace(title);
  // A new screen begins at its title.
  const top = useFocus(title);
  return (
    <View style={[styles.screen, { backgroundColor: palette.ground }]} role="main">
      <Head>
        <title>{`${title} · Yarrix`}</title>
      </Head>
      <View style={[styles.bar, { borderColor: palette.line }]}>
        {back !== undefined && (
          <Link href={back} asChild>
            <Pressable accessibilityLabel="Back" testID="back" style={styles.back}>
              <Icon name="arrow-left" size={26} color={palette.ink} />
            </Pressable>
          </Link>
        )}
        <View ref={top} tabIndex={-1} style={styles.titles}>
          <Type size="lead" weight="heavy" numberOfLines={2} role="heading" aria-level={1}>
            {title}
          </Type>
          {under && (
            <Type size="small" tone="soft" numberOfLines={1}>
              {under}
            </Type>
          )}
        </View>
        {actions}
      </View>
      <ShopStrip />
      <WaitingStrip />
      <NewVersionStrip />
      {above}
      {children}
      {help && <KeysCard keys={keys} close={close} />}
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1, height: '100%' },
  bar: {
    minHeight: touch.row,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignContent: 'center',
    alignItems: 'center',
    gap: space.s,
    paddingHorizontal: space.l,
    borderBottomWidth: 1,
  },
  back: {
    width: 48,
    height: 48,
    marginLeft: -space.m,
    alignItems: 'center',
    justifyContent: 'center',
  },
  titles: { flexGrow: 1, flexShrink: 1, flexBasis: 100 },
});
