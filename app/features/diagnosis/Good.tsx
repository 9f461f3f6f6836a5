import { StyleSheet, View } from 'react-native';
import { sayDisplay } from '../../../core/meter/display';
import { ORDINARY_METER, showOhms } from '../../../core/meter/meter';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import type { GoodShown } from '../../workers/diagnosis';
import { sayVolts } from './say';

/** Up to this many ohm nothing but metal is between the probes. */
const METAL_UP_TO = 2;
const NO_BREAK = '\u00a0';

/** What a good unit shows, as its display would say it. */
export function sayGood(good: GoodShown): string {
  if (good.kind === 'volts') return sayVolts(good.volts);
  const { answer } = good;
  const shows = (ohms: number): string => sayDisplay(showOhms(ORDINARY_METER, ohms));
  if (answer.kind === 'open') return 'OL';
  if (answer.kind !== 'ohms') return 'what cannot be said';
  const [low, high] = [shows(answer.low), shows(answer.high)];
  return (low === high ? low : `${low} to ${high}`).replace(/ (?=\S?Ω)/g, NO_BREAK);
}

/** The contact that lies between the points; none where a reading runs through a load. */
export function contactOf(good: GoodShown): 'open' | 'closed' | undefined {
  if (good.kind === 'volts') return undefined;
  const { answer } = good;
  if (answer.kind === 'open') return 'open';
  return answer.kind === 'ohms' && answer.high < METAL_UP_TO ? 'closed' : undefined;
}

/** What a good unit shows, on a card, with a drawn contact where there is nothing but one. */
export function Good({ good }: { good: GoodShown }) {
  const palette = useTheme();
  const contact = contactOf(good);
  return (
    <View style={[styles.good, { backgroundColor: palette.goodGround }]} testID="next-good">
      {contact && <ContactGlyph state={contact} size={44} tone="good" />}
      <Type weight="strong" tone="good" style={styles.grow}>
        A good unit shows {sayGood(good)}
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
