import { memo, useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { G, Path, Text } from 'react-native-svg';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import type { Drawing } from '../../../core/drawing/place';
import type { DrawnShape } from '../../../core/drawing/shape';
import { boxShapes, lineShapes } from '../../../core/drawing/shapes';
import type { Showing } from '../../../core/drawing/showing';
import { DASH, inkOf, type Inks } from '../../../core/drawing/svg';
import { WIRE_COLOURS } from '../../../core/drawing/wireColours';
import { sayPoint } from '../../../core/describe/point';
import { Button } from '../../ui/Button';
import { face, radius, space, useTheme, type Palette } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  drawing: Drawing;
  showing: Showing;
  /** The points of the red and the black probe. */
  probes: readonly TerminalRef[];
  onPoint?: (ref: TerminalRef) => void;
  /** Height of the window that the drawing is moved in. */
  height: number;
}

const ZOOMS = [0.5, 0.7, 1, 1.4, 2];
/** At this zoom no text is smaller than 14. */
const READABLE = 2;
const TARGET = 44;

/** The ladder of a diagram as it stands, moved by a finger or the wheel, with points to tap. */
export const LadderView = memo(function LadderView({
  diagram,
  drawing,
  showing,
  probes,
  onPoint,
  height,
}: Props) {
  const palette = useTheme();
  const [at, setAt] = useState(READABLE);
  const zoom = ZOOMS[at] ?? 1;
  const inks = useMemo(() => inksOf(palette), [palette]);
  const points = useMemo(() => pointsOf(drawing), [drawing]);
  const groups = useMemo(() => groupsOf(diagram, drawing, showing), [diagram, drawing, showing]);
  const { width, height: tall } = drawing;
  return (
    <View style={styles.whole}>
      <View
        style={[
          styles.window,
          { height, backgroundColor: palette.card, borderColor: palette.line },
        ]}
        tabIndex={0}
        role="region"
        aria-label={`Drawing of ${diagram.name}`}
        testID="ladder"
      >
        <View style={{ width: width * zoom, height: tall * zoom }}>
          <Svg
            width={width * zoom}
            height={tall * zoom}
            viewBox={`0 0 ${width} ${tall}`}
            aria-hidden
          >
            {groups.map(({ id, shapes, look }) => (
              <Group key={id} id={id} look={look} shapes={shapes} inks={inks} />
            ))}
          </Svg>
          <Points diagram={diagram} points={points} zoom={zoom} onPoint={onPoint} />
          {probes.map((ref, i) => (
            <Probe key={i} points={points} zoom={zoom} point={ref} red={i === 0} />
          ))}
        </View>
      </View>
      <View style={styles.zoom}>
        <Button
          look="bare"
          icon="zoom-out"
          label="Smaller"
          testID="zoom-out"
          disabled={at === 0}
          onPress={() => setAt(at - 1)}
        />
        <Button
          look="bare"
          icon="zoom-in"
          label="Larger"
          testID="zoom-in"
          disabled={at === ZOOMS.length - 1}
          onPress={() => setAt(at + 1)}
        />
      </View>
    </View>
  );
});

const inksOf = (palette: Palette): Inks => ({
  roles: {
    ink: palette.ink,
    soft: palette.soft,
    flow: palette.flow,
    live: palette.bad,
    ground: palette.card,
    rail: palette.ink,
    'on-rail': palette.card,
    run: palette.good,
    bad: palette.bad,
  },
  wires: WIRE_COLOURS,
});

interface Drawn {
  id: string;
  shapes: DrawnShape[];
  /** What it looks like now; with the same look nothing is drawn anew. */
  look: string;
}

function groupsOf(diagram: Diagram, drawing: Drawing, showing: Showing): Drawn[] {
  const colours = new Map(diagram.wires.map((wire) => [wire.id, wire.colour]));
  return [
    ...drawing.lines.map((line): Drawn => ({
      id: `line ${line.id}`,
      look: `${showing.flows.has(line.id)} ${showing.gone.has(line.id)}`,
      shapes: lineShapes(line, showing, colours.get(line.id) ?? ''),
    })),
    ...drawing.boxes.map((box): Drawn => {
      const ways = box.ways.map(({ key }) => `${box.owner}.${key}`);
      const states = ways.map(
        (way) => `${showing.contacts.get(way)}${showing.flows.has(way)}${showing.gone.has(way)}`,
      );
      const live = box.ports.map(({ ref }) => showing.live.has(ref));
      return {
        id: `box ${box.id}`,
        look: [showing.running.get(box.owner), ...states, ...live].join(' '),
        shapes: boxShapes(box, showing),
      };
    }),
  ];
}

const Group = memo(
  ({ shapes, inks }: Drawn & { inks: Inks }) => (
    <G>
      {shapes.map((shape, i) =>
        shape.kind === 'text' ? (
          <Text
            key={i}
            x={shape.x}
            y={shape.y}
            textAnchor={shape.anchor}
            fontFamily={shape.mono ? face.mono : face.strong}
            fontSize={14}
            fill={inkOf(inks, shape.role)}
          >
            {shape.text}
          </Text>
        ) : (
          <Path
            key={i}
            d={shape.d}
            stroke={inkOf(inks, shape.role, shape.colour)}
            strokeWidth={shape.width}
            strokeLinejoin="round"
            strokeLinecap="round"
            strokeDasharray={shape.dash ? DASH : undefined}
            fill={shape.fill ? inkOf(inks, shape.fill) : 'none'}
          />
        ),
      )}
    </G>
  ),
  (before, after) =>
    before.look === after.look && before.id === after.id && before.inks === after.inks,
);
Group.displayName = 'Group';

/** What can be tapped: every terminal, and a rail as its terminal. */
const Points = memo(
  ({
    diagram,
    points,
    zoom,
    onPoint,
  }: {
    diagram: Diagram;
    points: readonly Point[];
    zoom: number;
    onPoint: ((ref: TerminalRef) => void) | undefined;
  }) =>
    onPoint
      ? points.map(({ ref, x, y, side }, i) => (
          <Pressable
            key={i}
            accessibilityRole="button"
            accessibilityLabel={`Probe at ${sayPoint(diagram, ref)}`}
            testID={`point-${ref}`}
            onPress={() => onPoint(ref)}
            style={[
              styles.target,
              { left: x * zoom - (side === 'left' ? 12 : TARGET - 12), top: y * zoom - TARGET / 2 },
            ]}
          />
        ))
      : null,
);
Points.displayName = 'Points';

interface Point {
  ref: TerminalRef;
  x: number;
  y: number;
  side: 'left' | 'right' | 'middle';
}

function pointsOf({ boxes }: Drawing): Point[] {
  const seen = new Set<TerminalRef>();
  return boxes.flatMap((box): Point[] => {
    const [ref] = [...box.left, ...box.right];
    const own: Point[] =
      box.ports.length || !ref
        ? box.ports
        : [{ ref, x: box.x + box.width / 2, y: box.y + box.height / 2, side: 'middle' }];
    return own.filter((point) => {
      const first = !seen.has(point.ref);
      seen.add(point.ref);
      return first;
    });
  });
}

function Probe({
  points,
  zoom,
  point,
  red,
}: {
  points: readonly Point[];
  zoom: number;
  point: TerminalRef;
  red: boolean;
}) {
  const palette = useTheme();
  const place = points.find((each) => each.ref === point);
  if (!place) return null;
  return (
    <View
      testID={red ? 'ladder-red' : 'ladder-black'}
      pointerEvents="none"
      style={[
        styles.probe,
        {
          left: place.x * zoom - 11,
          top: place.y * zoom - 11,
          backgroundColor: red ? palette.probeRed : palette.probeBlack,
          borderColor: palette.onProbe,
        },
      ]}
    />
  );
}

const styles = StyleSheet.create({
  whole: { gap: space.xs },
  window: { overflow: 'scroll', borderWidth: 1, borderRadius: radius.medium },
  zoom: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end' },
  target: { position: 'absolute', width: TARGET, height: TARGET },
  probe: { position: 'absolute', width: 22, height: 22, borderRadius: 11, borderWidth: 3 },
});
