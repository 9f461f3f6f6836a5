import { StyleSheet, View } from 'react-native';
import type { LineWay } from '../../../core/behaviour/linePath';
import type { Diagram } from '../../../core/diagram/diagram';
import type { Showing } from '../../../core/drawing/showing';
import { WIRE_COLOURS } from '../../../core/drawing/wireColours';
import { STANDS_WORDS } from '../../../core/describe/linePath';
import { nameOf } from '../../../core/describe/unit';
import { Chip } from '../../ui/Chip';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { radius, space, useTheme } from '../../theme/theme';

/** Width of what is drawn of the line, left of what is said beside it. */
export const SPINE = 64;

/** A wire, a contact, a fuse, a plug or the load between two points. */
export function LineWayRow({
  diagram,
  way,
  showing,
  read,
  share,
  load,
}: {
  diagram: Diagram;
  way: LineWay;
  showing: Showing;
  read: readonly string[];
  /** How much its owner is suspected. */
  share: number | undefined;
  load: boolean;
}) {
  const palette = useTheme();
  const { kind, owner, key } = way;
  const wire = kind === 'wire' ? diagram.wires.find(({ id }) => id === owner) : undefined;
  const stands =
    kind === 'contact' ? (showing.contacts.get(`${owner}.${key}`) ?? 'open') : 'closed';
  const [base = 'NA', stripe] = (wire?.colour ?? '').split('-');
  const suspected = share !== undefined && share >= 0.005;
  return (
    <View style={[styles.way, suspected && { backgroundColor: palette.warnGround }]}>
      <View style={styles.spine}>
        {wire ? (
          <View
            style={[
              styles.wire,
              { backgroundColor: WIRE_COLOURS[base], borderColor: palette.soft },
            ]}
          >
            {stripe && <View style={[styles.stripe, { backgroundColor: WIRE_COLOURS[stripe] }]} />}
          </View>
        ) : kind === 'contact' ? (
          <View style={styles.upright}>
            <ContactGlyph state={stands} />
          </View>
        ) : (
          <View
            style={[
              load ? styles.load : styles.through,
              { borderColor: palette.ink, backgroundColor: palette.card },
            ]}
          />
        )}
      </View>
      <View style={styles.grow}>
        {wire ? (
          <WireSwatch code={wire.colour} />
        ) : (
          <Type weight="strong">
            {nameOf(diagram, owner)}
            {kind === 'contact' && (
              <Type size="small" tone="soft">
                {'  '}
                {STANDS_WORDS[stands]}
              </Type>
            )}
            {load && (
              <Type size="small" tone="soft">
                {'  '}what should work
              </Type>
            )}
          </Type>
        )}
        {read.map((says, i) => (
          <Type key={i} size="small" testID="line-read">
            read {says}
          </Type>
        ))}
      </View>
      {suspected && (
        <View>
          <Chip tone="warn" icon="search" label={`${Math.round(100 * share)} %`} />
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  grow: { flex: 1 },
  way: {
    minHeight: 34,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    borderRadius: radius.small,
    paddingRight: space.s,
  },
  spine: { width: SPINE, alignItems: 'center', justifyContent: 'center', alignSelf: 'stretch' },
  wire: {
    width: 10,
    flex: 1,
    // Up to the terminals, which are smaller than what is tapped.
    marginVertical: -5,
    borderLeftWidth: 1,
    borderRightWidth: 1,
    alignItems: 'center',
  },
  stripe: { width: 3, flex: 1 },
  // The bridge of the drawn contact lies beside its middle.
  upright: {
    width: 44,
    height: 44,
    transform: [{ translateX: 6 }, { rotate: '90deg' }],
    justifyContent: 'center',
  },
  through: { width: 16, height: 30, borderWidth: 2 },
  load: { width: 36, height: 36, borderWidth: 3, borderRadius: 18 },
});
