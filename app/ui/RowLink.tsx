import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { radius, space, touch, useTheme } from '../theme/theme';
import { Icon } from './Icon';

interface Props {
  href: string;
  /** What a screen reader says of the whole row. */
  name: string;
  testID: string;
  /** It is what stands beside the list. */
  here?: boolean;
  children: ReactNode;
}

/** A row of a list that leads somewhere: a real link, for the thumb, Tab and Enter alike. */
export function RowLink({ href, name, testID, here = false, children }: Props) {
  const palette = useTheme();
  const colours = {
    backgroundColor: here ? palette.sunk : palette.card,
    borderColor: here ? palette.ink : palette.line,
  };
  return (
    <Link href={href} asChild>
      <Pressable
        accessibilityLabel={name}
        testID={testID}
        aria-current={here ? 'page' : undefined}
        style={StyleSheet.flatten([styles.row, colours])}
      >
        <View style={styles.body}>{children}</View>
        <Icon name="chevron-right" size={24} color={palette.soft} />
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    borderWidth: 1,
    borderRadius: radius.medium,
    padding: space.m,
    minHeight: touch.row,
  },
  body: { flex: 1, gap: space.xs },
});
