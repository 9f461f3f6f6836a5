import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { LinePath, LineWay } from '../../../core/behaviour/linePath';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { splitRef } from '../../../core/diagram/terminal';
import type { Showing } from '../../../core/drawing/showing';
import { branchesAt, readOnLine, type ReadOnLine } from '../../../core/describe/linePath';
import { marked, sayPoint } from '../../../core/describe/point';
import { nameOf } from '../../../core/describe/unit';
import { pointsOf } from '../../../core/plan/lineInHand';
import type { Evidence } from '../../../core/call/evidence';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { radius, space, touch, useTheme } from '../../theme/theme';
import { LineWayRow, SPINE } from './LineWayRow';
import type { ShownSuspect } from '../../workers/diagnosis';

interface Props {
  diagram: Diagram;
  line: LinePath;
  /** How every contact stands in the setup in hand. */
  showing: Showing;
  evidence: readonly Evidence[];
  suspects: readonly ShownSuspect[];
  /** Where red and black go now. */
  probes: readonly TerminalRef[];
  pick: (ref: TerminalRef) => void;
}

/**
 * The line through one load from top to bottom: every contact as it stands, every wire in its colour, what was read
 * where, who is suspected, where the probes go. Every point can be tapped.
 */
export const LineView = memo(function LineView(props: Props) {
  const { diagram, line, showing, evidence, suspects, probes, pick } = props;
  const { ways } = line;
  const points = pointsOf(ways);
  const read = readOnLine(diagram, ways, evidence);
  const shareOf = new Map(suspects.map(({ id, probability }) => [id, probability]));
  return (
    <View testID="line" role="list" aria-label={`Line through ${nameOf(diagram, line.load)}`}>
      {points.map((ref, i) => {
        const way = ways[i];
        return (
          <View key={ref} role="listitem">
            <Joint
              diagram={diagram}
              ways={ways}
              place={i}
              at={ref}
              read={read}
              probe={probes.indexOf(ref)}
              pick={pick}
            />
            {way && (
              <LineWayRow
                diagram={diagram}
                way={way}
                showing={showing}
                read={read.over[i] ?? []}
                share={shareOf.get(way.owner)}
                load={way.owner === line.load}
              />
            )}
          </View>
        );
      })}
    </View>
  );
});

/** A terminal on the line, to be tapped, with what was read from it to elsewhere and what else hangs at it. */
function Joint({
  diagram,
  ways,
  place,
  at,
  read,
  probe,
  pick,
}: {
  diagram: Diagram;
  ways: readonly LineWay[];
  place: number;
  at: TerminalRef;
  read: ReadOnLine;
  /** 0 for red, 1 for black, below 0 for none. */
  probe: number;
  pick: (ref: TerminalRef) => void;
}) {
  const palette = useTheme();
  const [open, setOpen] = useState(false);
  const branches = branchesAt(diagram, ways, at);
  const own = splitRef(at).part;
  // The part says its name beside its terminals; where the line only passes one, the point does.
  const named = [ways[place - 1], ways[place]].every((way) => way?.owner !== own);
  const ground = probe === 0 ? palette.probeRed : probe === 1 ? palette.probeBlack : palette.card;
  return (
    <>
      <View style={styles.row}>
        <Pressable
          accessibilityRole="button"
          accessibilityLabel={[
            `Probe at ${sayPoint(diagram, at)}`,
            ...(probe < 0 ? [] : [probe === 0 ? 'red is here' : 'black is here']),
          ].join(', ')}
          testID={`joint-${at}`}
          onPress={() => pick(at)}
          style={styles.joint}
        >
          <View style={styles.column}>
            <View style={[styles.dot, { backgroundColor: ground, borderColor: palette.ink }]}>
              <Type
                weight="mono"
                size="small"
                numberOfLines={1}
                style={probe < 0 ? undefined : { color: palette.onProbe }}
              >
                {marked(diagram, at)}
              </Type>
            </View>
            {/* However much is said beside it, the line goes on. */}
            {place < ways.length && <View style={[styles.on, { backgroundColor: palette.soft }]} />}
          </View>
          <View style={[styles.grow, styles.beside]}>
            {named && <Type weight="strong">{nameOf(diagram, own)}</Type>}
            {probe >= 0 && (
              <Type size="small" weight="strong">
                {probe === 0 ? 'Red here' : 'Black here'}
              </Type>
            )}
            {read.at[place]?.map((says, i) => (
              <Type key={i} size="small" testID="line-read">
                read {says}
              </Type>
            ))}
          </View>
        </Pressable>
        {branches.length > 0 && (
          <Pressable
            accessibilityRole="button"
            accessibilityLabel={`What else hangs at ${sayPoint(diagram, at)}`}
            aria-expanded={open}
            testID={`branches-${at}`}
            onPress={() => setOpen(!open)}
            style={[styles.more, { borderColor: palette.line }]}
          >
            <Type size="small" weight="strong">
              {open ? 'fold' : `+${branches.length}`}
            </Type>
          </Pressable>
        )}
      </View>
      {open && (
        <View style={[styles.branches, { borderColor: palette.line }]}>
          {branches.map(({ to, colour }) => (
            <Pressable
              key={to}
              accessibilityRole="button"
              accessibilityLabel={`Probe at ${sayPoint(diagram, to)}`}
              testID={`branch-${to}`}
              onPress={() => pick(to)}
              style={styles.branch}
            >
              <WireSwatch code={colour} />
              <Type size="small" style={styles.grow}>
                to {sayPoint(diagram, to)}
              </Type>
            </Pressable>
          ))}
        </View>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center' },
  joint: { flex: 1, minHeight: 44, flexDirection: 'row', alignItems: 'stretch', gap: space.s },
  beside: { justifyContent: 'center' },
  column: { width: SPINE, alignItems: 'center', paddingTop: 5 },
  on: { width: 3, flex: 1 },
  dot: {
    width: SPINE,
    height: 34,
    borderRadius: 17,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: space.xs,
  },
  grow: { flex: 1 },
  more: {
    minWidth: touch.button,
    minHeight: 44,
    borderWidth: 1,
    borderRadius: radius.round,
    alignItems: 'center',
    justifyContent: 'center',
  },
  branches: { marginLeft: SPINE, borderLeftWidth: 2, paddingLeft: space.m },
  branch: { minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: space.s },
});
