import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { PartFigures } from '../../../core/describe/partFigures';
import { Button } from '../../ui/Button';
import { space } from '../../theme/theme';

/** Calculations of a part or supply, with its numbers filled in. */
export function FiguresLinks({
  callId,
  of,
  figures,
}: {
  callId: string;
  of: string;
  figures: readonly PartFigures[];
}) {
  if (figures.length === 0) return null;
  return (
    <View style={styles.row}>
      {figures.map(({ calculator, says, values }, i) => (
        <Button
          key={`${calculator} ${i}`}
          icon="hash"
          label={says}
          testID={`figures-${of}-${calculator}`}
          onPress={() => {
            const typed = Object.entries(values).map(([id, value]) => [id, String(value)]);
            const query = new URLSearchParams([['calc', calculator], ['from', callId], ...typed]);
            router.navigate(`/calculators?${query}`);
          }}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
