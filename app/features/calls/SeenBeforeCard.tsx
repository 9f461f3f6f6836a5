import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BarChart } from 'react-native-chart-kit';
import { RETURN_DAYS, type SeenBefore } from '../../../contract/seen';
import { useAppSelector } from '../../state/hooks';
import { fetchSeen } from '../../sync/api';
import { Card } from '../../ui/Card';
import { RowLink } from '../../ui/RowLink';
import { sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';
import { face, space, useTheme } from '../../theme/theme';

/** Bars that a phone has room for. */
const MOST_BARS = 4;
const HEIGHT = 180;

/** What the shop has found in units like this one; nothing where it has not found anything yet. */
export function SeenBeforeCard({ callId }: { callId: string }) {
  const shop = useAppSelector((state) => state.outbox.shop);
  const [seen, setSeen] = useState<SeenBefore>();
  useEffect(() => {
    let wanted = true;
    fetchSeen(shop, callId).then(
      ({ value }) => {
        if (wanted) setSeen(value);
      },
      // Without it the call is worked as ever.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [shop, callId]);
  if (!seen || seen.calls.length === 0) return null;
  const { calls, parts } = seen;
  const same = calls.filter(({ sameModel }) => sameModel).length;
  return (
    <Card testID="seen-before">
      <Type weight="heavy" role="heading" aria-level={2}>
        {same ? 'Seen on this model before' : 'Seen on units of this kind before'}
      </Type>
      {parts.map(({ part, name, calls: times, sameModel, cameBack }) => (
        <Type key={part}>
          {name}: {times} {times === 1 ? 'call' : 'calls'}
          {sameModel ? `, ${sameModel} on this model` : ''}
          {cameBack ? `, ${cameBack} came back within ${RETURN_DAYS} days` : ''}
        </Type>
      ))}
      {parts.length > 1 && <Bars parts={parts.slice(0, MOST_BARS)} />}
      {calls.slice(0, 3).map(({ id, complaint, place, found, lastAt }) => (
        <RowLink
          key={id}
          href={`/call/${id}`}
          name={`${complaint}, ${place}`}
          testID={`seen-${id}`}
        >
          <Type weight="strong" numberOfLines={2}>
            {complaint}
          </Type>
          <Type size="small" tone="soft" numberOfLines={2}>
            {found.part === undefined ? 'Nothing wrong' : `${found.name ?? 'Found'}: ${found.says}`}{' '}
            · {sayWhen(new Date(lastAt))}
          </Type>
        </RowLink>
      ))}
    </Card>
  );
}

function Bars({ parts }: { parts: SeenBefore['parts'] }) {
  const palette = useTheme();
  const [width, setWidth] = useState(0);
  return (
    <View
      role="img"
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      accessibilityLabel={`Chart: ${parts.map(({ name, calls }) => `${name} ${calls}`).join('; ')}`}
      style={styles.bars}
    >
      {width > 0 && (
        <BarChart
          data={{
            labels: parts.map(({ name }) => name.slice(0, 12)),
            datasets: [{ data: parts.map(({ calls }) => calls) }],
          }}
          width={width}
          height={HEIGHT}
          fromZero
          yAxisLabel=""
          yAxisSuffix=""
          segments={Math.min(4, Math.max(...parts.map(({ calls }) => calls)))}
          withInnerLines={false}
          chartConfig={{
            backgroundGradientFrom: palette.card,
            backgroundGradientTo: palette.card,
            fillShadowGradientFrom: palette.act,
            fillShadowGradientTo: palette.act,
            fillShadowGradientFromOpacity: 1,
            fillShadowGradientToOpacity: 1,
            decimalPlaces: 0,
            color: () => palette.act,
            labelColor: () => palette.ink,
            propsForLabels: { fontFamily: face.text, fontSize: 14 },
          }}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({ bars: { paddingTop: space.s } });
