import { StyleSheet, View } from 'react-native';
import { sayShownOn } from '../../../core/describe/shown';
import { ORDINARY_METER } from '../../../core/meter/meter';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import type { GoodShown } from '../../workers/diagnosis';

/** Up to this many ohm nothing but metal is between the probes. */
const METAL_UP_TO = 2;
/** The contact that lies between the points; none where a reading runs through a load. */
export function contactOf(good: GoodShown): 'open' | 'closed' | undefined {
  if (good.kind !== 'ohms') return undefined;
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
        A good unit shows {sayShownOn(ORDINARY_METER, good)}
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
