import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { face, space, useTheme } from '../../theme/theme';
import { nameOf } from '../../../core/describe/unit';
import type { Work } from './useWork';

const HEIGHT = 200;

/** How the suspects rose and fell, entry by entry. */
export function SuspectChart({ work }: { work: Work }) {
  const palette = useTheme();
  const [width, setWidth] = useState(0);
  const course = work.findings?.course ?? [];
  const entries = (course[0]?.probabilities.length ?? 1) - 1;
  if (entries < 1) return null;
  // Told apart by their dashes as well as by colour.
  const inks = [palette.bad, palette.act, palette.good, palette.soft];
  const dashes = ['', '10 5', '3 4', '1 6'];
  return (
    <Card testID="course">
      <Type weight="heavy" role="heading" aria-level={2}>
        Suspects, entry by entry
      </Type>
      <View
        role="img"
        onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
        accessibilityLabel={`Chart: ${course
          .map(
            ({ id, probabilities }) =>
              `${nameOf(work.call.diagram, id || undefined)} from ${percent(probabilities[0])} to ${percent(probabilities.at(-1))}`,
          )
          .join('; ')}`}
      >
        {width > 0 && (
          <LineChart
            data={{
              labels: Array.from({ length: entries + 1 }, (_, i) => String(i)),
              datasets: course.map(({ probabilities }, i) => ({
                data: probabilities.map((each) => Math.round(100 * each)),
                color: () => inks[i] ?? palette.ink,
                strokeDashArray: (dashes[i] ?? '').split(' ').filter(Boolean).map(Number),
              })),
            }}
            width={width}
            height={HEIGHT}
            fromZero
            yAxisSuffix=" %"
            withInnerLines={false}
            withShadow={false}
            chartConfig={{
              backgroundGradientFrom: palette.card,
              backgroundGradientTo: palette.card,
              decimalPlaces: 0,
              color: () => palette.line,
              labelColor: () => palette.ink,
              propsForLabels: { fontFamily: face.text, fontSize: 14 },
              propsForDots: { r: '3' },
            }}
          />
        )}
      </View>
      {course.map(({ id }, i) => (
        <View key={id} style={styles.key}>
          <View style={[styles.ink, { backgroundColor: inks[i] }]} />
          <Type size="small">
            {nameOf(work.call.diagram, id || undefined)}
            {dashes[i] ? ', dashed' : ''}
          </Type>
        </View>
      ))}
    </Card>
  );
}

const percent = (share: number | undefined): string => `${Math.round(100 * (share ?? 0))} %`;

const styles = StyleSheet.create({
  key: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  ink: { width: 20, height: 4 },
});
