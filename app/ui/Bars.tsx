import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BarChart } from 'react-native-chart-kit';
import { face, space, useTheme } from '../theme/theme';

/** Bars that a phone has room for. */
const MOST_BARS = 4;
const HEIGHT = 180;
/** Letters under a bar. */
const MOST_LETTERS = 12;

/** A few bars from zero, with their names under them; said in words as well. */
export function Bars({ bars }: { bars: readonly { name: string; value: number }[] }) {
  const palette = useTheme();
  const [width, setWidth] = useState(0);
  const some = bars.slice(0, MOST_BARS);
  return (
    <View
      role="img"
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      accessibilityLabel={`Chart: ${some.map(({ name, value }) => `${name} ${value}`).join('; ')}`}
      style={styles.bars}
    >
      {width > 0 && (
        <BarChart
          data={{
            labels: some.map(({ name }) => name.slice(0, MOST_LETTERS)),
            datasets: [{ data: some.map(({ value }) => value) }],
          }}
          width={width}
          height={HEIGHT}
          fromZero
          yAxisLabel=""
          yAxisSuffix=""
          segments={Math.min(4, Math.max(1, ...some.map(({ value }) => value)))}
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
