import { StyleSheet, View } from 'react-native';
import { radius, space, useTheme, type Palette } from '../theme/theme';
import { Type } from './Type';
import { Icon, type IconName } from './Icon';

interface Props {
  label: string;
  tone?: 'ink' | 'good' | 'bad' | 'warn';
  icon?: IconName;
  testID?: string;
}

const GROUND: Record<NonNullable<Props['tone']>, keyof Palette> = {
  ink: 'sunk',
  good: 'goodGround',
  bad: 'badGround',
  warn: 'warnGround',
};

/** A short state in words; the icon and the word say it, the colour helps. */
export function Chip({ label, tone = 'ink', icon, testID }: Props) {
  const palette = useTheme();
  return (
    <View style={[styles.chip, { backgroundColor: palette[GROUND[tone]] }]} testID={testID}>
      {icon && <Icon name={icon} size={15} color={palette[tone]} />}
      <Type size="small" weight="strong" tone={tone}>
        {label}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  chip: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.xs,
    borderRadius: radius.round,
    paddingHorizontal: space.m,
    paddingVertical: 3,
    alignSelf: 'flex-start',
  },
});
