import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import type { Work } from './useWork';

/** How far the computing is, with a way to stop it, and what to do when it was stopped or failed. */
export function Thinking({ work, begun }: { work: Work; begun: boolean }) {
  const palette = useTheme();
  const { failed, stopped, progress, thinking, stop, again } = work;
  if (failed !== undefined || stopped)
    return (
      <Notice
        icon={stopped ? 'pause' : 'alert-triangle'}
        title={
          stopped ? 'The diagnosis was stopped' : 'The diagnosis cannot be computed on this device'
        }
        text={failed ?? 'Everything that was entered is kept.'}
        testID={stopped ? 'stopped' : 'worker-failed'}
      >
        <Button label="Go on" icon="play" testID="think-again" onPress={again} />
      </Notice>
    );
  if (progress !== undefined)
    return (
      <Card testID="preparing">
        <Type weight="strong">Preparing this diagram, once: {Math.round(100 * progress)} %</Type>
        <View style={[styles.track, { backgroundColor: palette.sunk }]} aria-hidden>
          <View
            style={[styles.bar, { backgroundColor: palette.act, width: `${100 * progress}%` }]}
          />
        </View>
        <Button label="Stop" icon="square" testID="stop-thinking" onPress={stop} />
      </Card>
    );
  return begun && thinking ? (
    <Notice icon="loader" title="Weighing what is known" testID="thinking" />
  ) : null;
}

const styles = StyleSheet.create({
  track: { height: 12, borderRadius: radius.small, overflow: 'hidden', marginVertical: space.s },
  bar: { height: 12 },
});
