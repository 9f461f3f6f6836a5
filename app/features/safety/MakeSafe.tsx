import { StyleSheet, View } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { sayMakeSafe } from '../../../core/describe/makeSafe';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  /** Power was on, or may have been, since it was made safe. */
  poweredSince: boolean;
  makeSafe: () => void;
  /** Offers the live reading that answers the same, where there is one. */
  live?: (() => void) | undefined;
}

/** Stops the flow before ohms, on every screen: the unit is made dead and proved so, and again after power. */
export function MakeSafe({ diagram, poweredSince, makeSafe, live }: Props) {
  return (
    <Card ground="warnGround" edge="warn" testID="make-safe" style={styles.card}>
      <Type size="title" weight="heavy" tone="warn" role="heading" aria-level={2}>
        {poweredSince ? 'Power may be on: prove it dead again' : 'Make it safe before the probes'}
      </Type>
      {poweredSince && (
        <Type weight="strong">
          Until it is proved dead, nobody knows. Ohms and beeper are never used on a live unit.
        </Type>
      )}
      <View role="list" style={styles.steps}>
        {sayMakeSafe(diagram).map((step, i) => (
          <View key={step} role="listitem" style={styles.step}>
            <Type weight="mono">{i + 1}</Type>
            <Type style={styles.grow}>{step}.</Type>
          </View>
        ))}
      </View>
      {!poweredSince &&
        diagram.cautions.map((caution) => (
          <Type key={caution} size="small">
            · {caution}
          </Type>
        ))}
      <ProvedDead safe={false} makeSafe={makeSafe} look="act" />
      {poweredSince && live && (
        <Button
          icon="zap"
          label="Leave it on and read volts instead"
          testID="live-instead"
          onPress={live}
        />
      )}
      <Type size="small" tone="soft">
        The maker’s sheet, local codes and licensed practice go before this.
      </Type>
    </Card>
  );
}

/** Says that the unit is dead and proved so, wherever something waits for it. */
export const ProvedDead = ({
  safe,
  makeSafe,
  look,
}: {
  safe: boolean;
  makeSafe: () => void;
  look?: 'act';
}) => (
  <Button
    {...(look && { look })}
    icon="lock"
    label="It is dead and proved dead"
    testID="made-safe"
    shortcut="D"
    disabled={safe}
    onPress={makeSafe}
  />
);

const styles = StyleSheet.create({
  card: { gap: space.s },
  steps: { gap: space.s },
  step: { flexDirection: 'row', gap: space.m },
  grow: { flex: 1 },
});
