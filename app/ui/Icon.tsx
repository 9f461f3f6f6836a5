import { Text, type TextStyle } from 'react-native';
import { ICONS } from './iconPlaces';

export type IconName = keyof typeof ICONS;

interface Props {
  name: IconName;
  size: number;
  color: string;
}

/** A sign beside words, which say the same. */
export function Icon({ name, size, color }: Props) {
  const look: TextStyle = { fontFamily: 'Feather', fontSize: size, lineHeight: size, color };
  return (
    <Text aria-hidden selectable={false} style={look}>
      {String.fromCodePoint(ICONS[name])}
    </Text>
  );
}
