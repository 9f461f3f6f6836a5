import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewProps } from 'react-native';
import { radius, space, useTheme, type Palette } from '../theme/theme';

interface Props extends ViewProps {
  ground?: keyof Palette;
  edge?: keyof Palette;
  children: ReactNode;
}

/** A surface that groups what belongs together. */
export function Card({ ground = 'card', edge = 'line', style, children, ...rest }: Props) {
  const palette = useTheme();
  const colours = { backgroundColor: palette[ground], borderColor: palette[edge] };
  return (
    <View {...rest} style={[styles.card, colours, style]}>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderRadius: radius.medium, borderWidth: 1, padding: space.l, gap: space.s },
});
