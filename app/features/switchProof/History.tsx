import Feather from '@expo/vector-icons/Feather';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import { useAppSelector } from '../../state/hooks';
import { space, useTheme } from '../../theme/theme';
import { ICON, TONE } from './LastReading';
import { sayReadingPlace } from '../../../core/describe/readingPlace';
import type { SwitchProof } from './useSwitchProof';

/** Every reading of the switch, the last first; what was taken back stays, crossed out. */
export function History({ proof }: { proof: SwitchProof }) {
  const palette = useTheme();
  const items = useAppSelector((state) => state.outbox.items);
  const waiting = new Set(items.map((each) => each.id));
  if (proof.readings.length === 0) {
    return <Type tone="soft">No readings yet.</Type>;
  }
  return (
    <View testID="history">
      {proof.readings.toReversed().map((reading) => {
        const judgement = proof.state.judgements.get(reading.id);
        const tone = TONE(judgement);
        return (
          <View
            key={reading.id}
            style={[styles.row, { borderColor: palette.line }]}
            testID="history-row"
          >
            <Feather
              name={reading.doubted ? 'slash' : ICON[tone]}
              size={20}
              color={reading.doubted ? palette.soft : palette[tone]}
            />
            <View style={styles.grow}>
              <View style={styles.line}>
                <Type weight="mono" style={reading.doubted && styles.struck}>
                  {reading.said}
                </Type>
                <Type size="small" tone="soft">
                  {new Date(reading.phoneAt).toLocaleTimeString([], {
                    hour: '2-digit',
                    minute: '2-digit',
                  })}
                  {waiting.has(reading.id) ? ' · waiting to be sent' : ''}
                </Type>
              </View>
              <Type
                size="small"
                tone={reading.doubted ? 'soft' : 'ink'}
                style={reading.doubted && styles.struck}
              >
                {sayReadingPlace(proof, reading)}
              </Type>
            </View>
            {!reading.doubted && (
              <Button
                look="bare"
                label="Take back"
                testID="take-back"
                hint={`Take back ${reading.said}, ${sayReadingPlace(proof, reading)}`}
                onPress={() => proof.takeBack(reading.id, 'taken back')}
                style={styles.small}
              />
            )}
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
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
