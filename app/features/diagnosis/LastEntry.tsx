import { StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Evidence } from '../../../core/call/evidence';
import { SAYS_WORDS, sayMoved } from '../../../core/describe/entryMeaning';
import { sayShownOn } from '../../../core/describe/shown';
import { sayEvidence } from '../../../core/describe/unit';
import type { Says } from '../../../core/inference/entryMeaning';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, WIDE_FROM } from '../../theme/theme';
import type { ShownMeaning } from '../../workers/diagnosis';
import type { Work } from './useWork';

/** Suspects that are named: those whose part in the doubt has changed most. */
const NAMED = { phone: 1, wide: 2 };

const TONE: Record<Says, 'good' | 'bad' | 'warn'> = {
  'as-it-should-be': 'good',
  'not-as-it-should-be': 'bad',
  'does-not-tell': 'warn',
};

/** What the last entry showed and means, above the next test, with undo in reach. */
export function LastEntry({ work }: { work: Work }) {
  const last = work.evidence.at(-1);
  return last ? <Last work={work} last={last} /> : null;
}

function Last({ work, last }: { work: Work; last: Evidence }) {
  const { diagram } = work.call;
  const { what, shown } = sayEvidence(diagram, last);
  const { meaning } = work;
  const says = meaning?.lastSays;
  // On a phone the next test needs the room: one line each, and all of it in the log.
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const moved = (meaning?.moved[last.id] ?? []).slice(0, wide ? NAMED.wide : NAMED.phone);
  const good = meaning?.lastGood;
  return (
    <Card testID="last-entry" style={styles.card}>
      <View style={styles.row}>
        <View style={styles.grow} aria-live="polite">
          <Type size="small" testID="meaning">
            {says && (
              <Type size="small" weight="heavy" tone={TONE[says]}>
                {SAYS_WORDS[says]}.{' '}
              </Type>
            )}
            {!meaning
              ? '…'
              : last.kind === 'reading' && last.of === 'twin'
                ? sayTwin(meaning, last.id)
                : moved.length === 0
                  ? 'Little changes between the suspects.'
                  : moved.map((each) => sayMoved(diagram, each)).join(', ')}
          </Type>
          <Type size="small" tone="soft" {...(!wide && { numberOfLines: 1 })}>
            {shown} · {what}
          </Type>
          {good && (work.blind || says === 'not-as-it-should-be') && (
            <Type size="small" testID="last-good">
              A good unit shows {sayShownOn(work.meter, good)}.
            </Type>
          )}
        </View>
        <Button
          look="bare"
          label="Undo"
          testID="undo"
          shortcut="U"
          onPress={() => work.takeBack(last.id)}
          style={styles.undo}
        />
      </View>
    </Card>
  );
}

/** What the reading of a good twin has proved. */
function sayTwin({ oddTwins }: ShownMeaning, reading: string): string {
  return oddTwins.includes(reading)
    ? 'The known-good unit shows something else than expected: leads, setup or diagram are wrong there. This unit’s reading there counts for nothing until that is settled.'
    : 'The known-good unit shows what is expected: leads, setup and expectation are proved there.';
}

const styles = StyleSheet.create({
  card: { paddingVertical: space.xs, paddingRight: 0 },
  undo: { paddingHorizontal: space.m },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 140 },
});
