import { Text, type TextProps, type TextStyle } from 'react-native';
import { face, type, useTheme, type Palette } from '../theme/theme';

interface Props extends TextProps {
  size?: keyof typeof type;
  weight?: keyof typeof face;
  tone?: keyof Palette;
}

/** All text of the app: a size and a face of the theme. */
export function Type({ size = 'body', weight = 'text', tone = 'ink', style, ...rest }: Props) {
  const palette = useTheme();
  const look: TextStyle = { ...type[size], fontFamily: face[weight], color: palette[tone] };
  return <Text {...rest} style={[look, style]} />;
}
