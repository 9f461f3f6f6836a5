import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { Work } from './useWork';

/** Where what feeds the unit is well suspected, its step is offered before anything is opened; it can be left out. */
export function SupplyFirst({ work, open }: { work: Work; open: () => void }) {
  const [leftOut, setLeftOut] = useState(false);
  const { verdict, supply: share } = work.findings ?? {};
  if (leftOut || share === undefined || verdict?.kind !== 'open') return null;
  return (
    <Card testID="supply-first">
      <Type>
        What feeds it may be at fault: {Math.round(100 * share)} in 100. A look there takes a minute
        or two and opens nothing.
      </Type>
      <View style={styles.row}>
        <Button
          icon="power"
          label="Check the supply"
          testID="supply-first-open"
          onPress={open}
          style={styles.grow}
        />
        <Button
          icon="x"
          label="Not now"
          hint="Not now: leave the supply out"
          testID="supply-first-not"
          onPress={() => setLeftOut(true)}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
