import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { sayChance } from '../../../core/describe/chance';
import { nameOf } from '../../../core/describe/unit';
import { shopShares } from '../../../core/inference/shopPriors';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change } from '../../state/settings';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

const MOST_LINES = 5;

/** Who is suspected before anything is known: by the diagram, and with what the shop has found beside it; may be left out. */
export function ShopSharesCard({ call }: { call: CallDetail }) {
  const dispatch = useAppDispatch();
  const counts = useAppSelector((state) => state.settings.shopPriors);
  const { diagram, foundBefore } = call;
  const shares = useMemo(
    () => (foundBefore ? shopShares(diagram, foundBefore) : []),
    [diagram, foundBefore],
  );
  const calls = shares.reduce((sum, each) => sum + each.calls, 0);
  if (calls === 0) return null;
  const some = [
    ...shares.filter((each) => each.calls > 0),
    ...shares.filter((each) => each.calls === 0),
  ].slice(0, MOST_LINES);
  return (
    <Card testID="shop-shares">
      <Type weight="heavy" role="heading" aria-level={2}>
        Before anything is known
      </Type>
      <Type size="small" tone="soft">
        By the diagram’s weights, and with the {calls} {calls === 1 ? 'call' : 'calls'} on such
        units that your shop has finished. A few calls say little yet.
      </Type>
      {some.map(({ suspect, diagram: weight, shop, calls: times }) => (
        <View key={suspect ?? 'none'} style={styles.line} testID={`share-${suspect ?? 'none'}`}>
          <Type weight="strong" style={styles.name}>
            {nameOf(diagram, suspect)}
          </Type>
          <Type size="small" tone={counts ? 'soft' : 'ink'}>
            diagram {sayChance(weight)}
          </Type>
          <Type size="small" tone={counts ? 'ink' : 'soft'} weight={counts ? 'strong' : 'text'}>
            with yours {sayChance(shop)}
            {times ? ` (${times})` : ''}
          </Type>
        </View>
      ))}
      <Button
        icon={counts ? 'check-square' : 'square'}
        label="Count what the shop has found"
        testID="shop-priors"
        selected={counts}
        onPress={() => dispatch(change({ shopPriors: !counts }))}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: space.m },
  name: { width: '100%' },
});
