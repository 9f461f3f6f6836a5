import { StyleSheet, View } from 'react-native';
import { radius, space, useTheme } from '../theme/theme';
import { WIRE_COLOURS } from '../../core/drawing/wireColours';
import { Type } from './Type';

/** A wire's colour: a swatch with its stripe, and the code in letters beside it. */
export function WireSwatch({ code }: { code: string }) {
  const palette = useTheme();
  const [base = '', stripe] = code.split('-');
  return (
    <View style={styles.row} accessibilityLabel={`wire ${code}`}>
      <View
        style={[
          styles.swatch,
          { backgroundColor: WIRE_COLOURS[base] ?? palette.line, borderColor: palette.ink },
        ]}
      >
        {stripe && (
          <View
            style={[styles.stripe, { backgroundColor: WIRE_COLOURS[stripe] ?? palette.line }]}
          />
        )}
      </View>
      <Type size="small" weight="mono">
        {code === 'NA' ? 'bare' : code}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
  swatch: {
    width: 26,
    height: 14,
    borderRadius: radius.small,
    borderWidth: 1,
    justifyContent: 'center',
    overflow: 'hidden',
  },
  stripe: { height: 4 },
});
