import { StyleSheet, View } from 'react-native';
import type { OhmAnswer } from '../../../core/circuit/ohmReading';
import { sayDisplay } from '../../../core/meter/display';
import { ORDINARY_METER, showOhms } from '../../../core/meter/meter';
import { ContactGlyph } from '../../components/ContactGlyph';
import { Type } from '../../components/Type';
import { radius, space, useTheme } from '../../theme/theme';
import { sayVolts } from './say';

/** Up to this many ohm nothing but metal is between the probes. */
const METAL_UP_TO = 2;
const NO_BREAK = '\u00a0';

/** What a good unit shows between two points. */
export function sayGood(good: OhmAnswer | undefined, volts: number | undefined): string {
  const shows = (ohms: number): string => sayDisplay(showOhms(ORDINARY_METER, ohms));
  if (volts !== undefined) return sayVolts(volts);
  if (good?.kind === 'open') return 'OL';
  if (good?.kind !== 'ohms') return 'what cannot be said';
  const [low, high] = [shows(good.low), shows(good.high)];
  return (low === high ? low : `${low} to ${high}`).replace(/ (?=\S?Ω)/g, NO_BREAK);
}

/** The contact that lies between the points; none where a reading runs through a load. */
export const contactOf = (good: OhmAnswer): 'open' | 'closed' | undefined =>
  good.kind === 'open'
    ? 'open'
    : good.kind === 'ohms' && good.high < METAL_UP_TO
      ? 'closed'
      : undefined;

interface Props {
  good: OhmAnswer | undefined;
  volts: number | undefined;
}

/** The same on a card, with a drawn contact where there is nothing but one between the probes. */
export function Good({ good, volts }: Props) {
  const palette = useTheme();
  const contact = good && contactOf(good);
  return (
    <View style={[styles.good, { backgroundColor: palette.goodGround }]} testID="next-good">
      {contact && <ContactGlyph state={contact} size={44} tone="good" />}
      <Type weight="strong" tone="good" style={styles.grow}>
        A good unit shows {sayGood(good, volts)}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  grow: { flex: 1 },
  good: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    borderRadius: radius.medium,
    padding: space.s,
  },
});
