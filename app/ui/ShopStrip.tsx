import { router } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { loadDiagrams } from '../state/diagrams';
import { workIn } from '../sync/outbox';
import { space, useTheme } from '../theme/theme';
import { Type } from './Type';
import { Icon } from './Icon';

/** Says on every screen of the demo that it is one, and leads to the shop's own calls and back. */
export function ShopStrip() {
  const palette = useTheme();
  const dispatch = useAppDispatch();
  const shop = useAppSelector((state) => state.outbox.shop);
  const demo = shop === 'demo';
  const change = async (): Promise<void> => {
    await dispatch(workIn(demo ? 'own' : 'demo'));
    // Its diagrams come onto the device too: a call can be opened without the server.
    void dispatch(loadDiagrams());
    router.replace('/');
  };
  return (
    <Pressable
      testID={demo ? 'shop-demo' : 'shop-own'}
      accessibilityRole="button"
      accessibilityLabel={demo ? 'Demo shop. Go to our own shop' : 'Our own shop. Go to the demo'}
      onPress={() => void change()}
      style={[styles.strip, { backgroundColor: palette[demo ? 'warnGround' : 'sunk'] }]}
    >
      <Type size="small" weight="strong" tone={demo ? 'warn' : 'soft'} style={styles.says}>
        {demo ? 'Demo: made-up calls' : 'Our shop'}
      </Type>
      <Type size="small" tone={demo ? 'warn' : 'soft'}>
        {demo ? 'Our own shop' : 'See the demo'}
      </Type>
      <Icon name="chevron-right" size={18} color={palette[demo ? 'warn' : 'soft']} />
    </Pressable>
  );
}

const styles = StyleSheet.create({
  strip: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.xs,
    paddingHorizontal: space.l,
  },
  says: { flex: 1 },
});
