import { router } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { DEMO_SHOP } from '../../contract/account';
import { useAppSelector } from '../state/hooks';
import { space, useTheme } from '../theme/theme';
import { Type } from './Type';
import { Icon } from './Icon';

/** Says on every screen whose data it is, that a demo is one, and when nobody is signed in any more. */
export function ShopStrip() {
  const palette = useTheme();
  const { account, signedOut } = useAppSelector((state) => state.account);
  if (!account) return null;
  const demo = account.shop === DEMO_SHOP;
  const tone = demo || signedOut ? 'warn' : 'soft';
  const says = signedOut
    ? 'Signed out. What you enter is kept here'
    : demo
      ? 'Demo: made-up calls'
      : account.shopName;
  const leads = signedOut ? 'Sign in' : demo ? 'Our own shop' : account.name;
  return (
    <Pressable
      testID={signedOut ? 'signed-out' : demo ? 'shop-demo' : 'shop-own'}
      accessibilityRole="button"
      accessibilityLabel={`${says}. ${signedOut || demo ? leads : `${leads}, your account`}`}
      onPress={() => router.navigate(signedOut ? '/sign-in' : '/account')}
      style={[styles.strip, { backgroundColor: palette[tone === 'warn' ? 'warnGround' : 'sunk'] }]}
    >
      <Type size="small" weight="strong" tone={tone} numberOfLines={1} style={styles.says}>
        {says}
      </Type>
      <Type size="small" tone={tone} numberOfLines={1} style={styles.leads}>
        {leads}
      </Type>
      <Icon name="chevron-right" size={18} color={palette[tone]} />
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
  leads: { maxWidth: '50%' },
});
