import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import type { Diagram, Part, TerminalRef } from '../../core/diagram/diagram';
import { owners, splitRef } from '../../core/diagram/terminal';
import { face, useTheme } from '../theme/theme';

interface Props {
  diagram: Diagram;
  from: TerminalRef;
  to: TerminalRef;
  /** How the contact of a good unit stands, where that is told. */
  contact: 'open' | 'closed' | undefined;
}

const WIDTH = 320;
const HEIGHT = 92;
const LEFT = 60;
const RIGHT = WIDTH - 60;
const MIDDLE = 40;

/** The two points drawn on what they belong to, with the red and the black probe on them. */
export function PartSketch({ diagram, from, to, contact }: Props) {
  const palette = useTheme();
  const [one, two] = [splitRef(from), splitRef(to)];
  const same = one.part === two.part;
  const owner = (id: string): { name: string } | undefined =>
    owners(diagram).find((each) => each.id === id);
  const part = diagram.parts.find((each) => each.id === one.part);
  const wire = diagram.wires.find((each) => each.from === from && each.to === to);
  const label = { fontFamily: face.strong, fontSize: 14, fill: palette.ink } as const;
  const boxes = same
    ? [{ x: LEFT - 26, width: RIGHT - LEFT + 52, name: owner(one.part)?.name, at: WIDTH / 2 }]
    : [
        { x: 4, width: LEFT + 44, name: owner(one.part)?.name, at: LEFT - 4 },
        { x: RIGHT - 48, width: LEFT + 44, name: owner(two.part)?.name, at: RIGHT + 4 },
      ];
  return (
    <View style={styles.sketch} accessibilityElementsHidden aria-hidden testID="part-sketch">
      <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
        {boxes.map((box) => (
          <Rect
            key={box.x}
            x={box.x}
            y={10}
            width={box.width}
            height={56}
            rx={8}
            fill={palette.sunk}
            stroke={palette.line}
            strokeWidth={1.5}
          />
        ))}
        {boxes.map((box) => (
          <Text key={box.x} {...label} x={box.at} y={HEIGHT - 8} textAnchor="middle">
            {short(box.name ?? '', same ? 36 : 17)}
          </Text>
        ))}
        <Between
          part={same ? part : undefined}
          contact={contact}
          through={!wire && (!same || !part)}
          ink={palette.ink}
        />
        {[
          { x: LEFT, name: one.terminal, ink: palette.probeRed },
          { x: RIGHT, name: two.terminal, ink: palette.probeBlack },
        ].map(({ x, name, ink }) => (
          <Probe key={x} x={x} name={name} ink={ink} edge={palette.ink} label={label} />
        ))}
      </Svg>
    </View>
  );
}

/** What lies between the points: a contact, a load, a wire, or a way through the unit. */
function Between({
  part,
  contact,
  through,
  ink,
}: {
  part: Part | undefined;
  contact: Props['contact'];
  through: boolean;
  ink: string;
}) {
  const stroke = { stroke: ink, strokeWidth: 2.5, fill: 'none' } as const;
  const [a, b] = [LEFT + 14, RIGHT - 14];
  if (part?.kind === 'switch')
    return (
      <>
        <Line x1={a} y1={MIDDLE} x2={135} y2={MIDDLE} {...stroke} />
        <Line
          x1={135}
          y1={MIDDLE}
          x2={contact === 'open' ? 182 : 188}
          y2={contact === 'open' ? MIDDLE - 18 : MIDDLE}
          {...stroke}
          {...(!contact && { strokeDasharray: '5 5' })}
        />
        <Line x1={188} y1={MIDDLE} x2={b} y2={MIDDLE} {...stroke} />
        <Circle cx={135} cy={MIDDLE} r={3.5} fill={ink} />
        <Circle cx={188} cy={MIDDLE} r={3.5} fill={ink} />
      </>
    );
  if (part?.kind === 'load')
    return (
      <Path
        d={`M ${a} ${MIDDLE} H 120 l 7 -12 l 13 24 l 13 -24 l 13 24 l 13 -24 l 13 24 l 7 -12 H ${b}`}
        {...stroke}
        strokeLinejoin="round"
      />
    );
  if (part?.kind === 'protector')
    return (
      <>
        <Line x1={a} y1={MIDDLE} x2={b} y2={MIDDLE} {...stroke} />
        <Rect x={125} y={MIDDLE - 9} width={70} height={18} {...stroke} />
      </>
    );
  return (
    <Line
      x1={a}
      y1={MIDDLE}
      x2={b}
      y2={MIDDLE}
      {...stroke}
      {...(through && { strokeDasharray: '3 7' })}
    />
  );
}

function Probe({
  x,
  name,
  ink,
  edge,
  label,
}: {
  x: number;
  name: string;
  ink: string;
  edge: string;
  label: object;
}) {
  return (
    <>
      <Path d={`M ${x} ${MIDDLE} l -8 -22 h 16 z`} fill={ink} stroke={edge} strokeWidth={1} />
      <Rect x={x - 4} y={2} width={8} height={17} fill={ink} stroke={edge} strokeWidth={1} />
      <Circle cx={x} cy={MIDDLE} r={6} fill="none" stroke={edge} strokeWidth={2} />
      <Text {...label} x={x} y={MIDDLE + 22} textAnchor="middle">
        {name}
      </Text>
    </>
  );
}

const short = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

const styles = StyleSheet.create({ sketch: { alignItems: 'center' } });
