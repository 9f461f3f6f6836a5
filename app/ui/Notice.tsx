import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { space, useTheme } from '../theme/theme';
import { Type } from './Type';
import { Icon, type IconName } from './Icon';

interface Props {
  icon: IconName;
  title: string;
  text?: string;
  testID: string;
  children?: ReactNode;
}

/** What a screen shows when it has nothing else: loading, empty, failed; with the way out. */
export function Notice({ icon, title, text, testID, children }: Props) {
  const palette = useTheme();
  return (
    <View style={styles.notice} testID={testID} aria-live="polite">
      <Icon name={icon} size={36} color={palette.soft} />
      <Type size="lead" weight="strong" style={styles.centre}>
        {title}
      </Type>
      {text && (
        <Type tone="soft" style={styles.centre}>
          {text}
        </Type>
      )}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  notice: { alignItems: 'center', padding: space.xxl, gap: space.m },
  centre: { textAlign: 'center' },
});
