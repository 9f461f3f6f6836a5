import { useMemo, useRef, type ReactNode } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { LONG_LIST } from '../../ui/longList';
import { Type } from '../../ui/Type';
import { useBackToTop } from '../../ui/useBackToTop';
import { useAppSelector } from '../../state/hooks';
import { space, useTheme } from '../../theme/theme';
import { ICON, TONE } from './LastReading';
import type { LoggedReading } from '../../../core/call/log';
import type { Judgement } from '../../../core/inference/judge';
import { sayReadingPlace } from '../../../core/describe/readingPlace';
import type { SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';
import { sayTime } from '../../ui/sayTime';

/**
 * Every reading of the switch, the last first; what was taken back stays, crossed out. A list of its
 * own, so that a long proof draws only the lines in sight.
 * @param above what moves with the list, before its first line
 * @param below the same, after its last
 */
export function History({
  proof,
  above,
  below,
}: {
  proof: SwitchProof;
  above: ReactNode;
  below?: ReactNode;
}) {
  const { readings, state, gate } = proof;
  const list = useRef<FlatList<LoggedReading>>(null);
  const scrolled = useBackToTop([gate, readings.length].join(), () =>
    list.current?.scrollToOffset({ offset: 0, animated: false }),
  );
  const items = useAppSelector((all) => all.outbox.items);
  const waiting = useMemo(() => new Set(items.map((each) => each.id)), [items]);
  const lines = useMemo(() => readings.toReversed(), [readings]);
  return (
    <FlatList
      ref={list}
      data={lines}
      keyExtractor={({ id }) => id}
      {...scrolled}
      renderItem={({ item }) => (
        <Line
          proof={proof}
          reading={item}
          judgement={state.judgements.get(item.id)}
          waiting={waiting.has(item.id)}
        />
      )}
      contentContainerStyle={styles.inner}
      ListHeaderComponent={
        <View style={styles.around}>
          {above}
          <Type weight="heavy" role="heading" aria-level={2}>
            Readings
          </Type>
        </View>
      }
      ListEmptyComponent={<Type tone="soft">No readings yet.</Type>}
      ListFooterComponent={<View style={styles.below}>{below}</View>}
      {...LONG_LIST}
      testID="history"
    />
  );
}

interface LineProps {
  proof: SwitchProof;
  reading: LoggedReading;
  judgement: Judgement | undefined;
  /** Whether it is still to be sent. */
  waiting: boolean;
}

function Line({ proof, reading, judgement, waiting }: LineProps) {
  const palette = useTheme();
  const tone = TONE(judgement);
  const { doubted, said } = reading;
  const place = sayReadingPlace(proof, reading);
  return (
    <View style={[styles.row, { borderColor: palette.line }]} testID="history-row">
      <Icon
        name={doubted ? 'slash' : ICON[tone]}
        size={20}
        color={doubted ? palette.soft : palette[tone]}
      />
      <View style={styles.grow}>
        <View style={styles.line}>
          <Type weight="mono" style={doubted && styles.struck}>
            {said}
          </Type>
          <Type size="small" tone="soft">
            {sayTime(new Date(reading.phoneAt))}
            {waiting ? ' · waiting to be sent' : ''}
          </Type>
        </View>
        <Type size="small" tone={doubted ? 'soft' : 'ink'} style={doubted && styles.struck}>
          {place}
        </Type>
      </View>
      {!doubted && (
        <Button
          look="bare"
          label="Take back"
          testID="take-back"
          hint={`Take back ${said}, ${place}`}
          onPress={() => proof.takeBack(reading.id, 'taken back')}
          style={styles.small}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, paddingBottom: space.xl },
  around: { gap: space.m, paddingBottom: space.s },
  below: { gap: space.m, paddingTop: space.m },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    borderBottomWidth: 1,
    paddingVertical: space.xs,
  },
  grow: { flex: 1 },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  struck: { textDecorationLine: 'line-through' },
  small: { paddingHorizontal: space.s },
});
