import { StyleSheet, View } from 'react-native';
import type { Diagram, TerminalRef } from '../../core/diagram/diagram';
import { isWireEnd, owners, splitRef, terminalAt, wiresAt } from '../../core/diagram/terminal';
import { marked, sayPoint } from '../../core/describe/point';
import { radius, space, useTheme } from '../theme/theme';
import { Type } from './Type';
import { WireSwatch } from './WireSwatch';

interface Props {
  diagram: Diagram;
  from: TerminalRef;
  to: TerminalRef;
  lifted: TerminalRef[];
  /** Says the part too, where the two points are not on the one that the screen is about. */
  named?: boolean;
}

/** The part that both points are on; undefined where each is on its own. */
export function onePart(from: TerminalRef, to: TerminalRef): string | undefined {
  const [one, two] = [splitRef(from).part, splitRef(to).part];
  return one === two ? one : undefined;
}

/** Where the red and the black probe go: terminals, wires, and whether these are off. */
export function ProbePair({ diagram, from, to, lifted, named = false }: Props) {
  const palette = useTheme();
  const probes = [
    { name: 'Red', colour: palette.probeRed, at: from, testID: 'probe-red' },
    { name: 'Black', colour: palette.probeBlack, at: to, testID: 'probe-black' },
  ];
  const nameOf = (id: string): string | undefined =>
    owners(diagram).find((each) => each.id === id)?.name;
  const one = onePart(from, to);
  return (
    <>
      {named && one !== undefined && <Type weight="strong">{nameOf(one)}</Type>}
      <View style={styles.probes}>
        {probes.map(({ name, colour, at, testID }) => {
          const { part } = splitRef(at);
          const wires = wiresAt(diagram, terminalAt(at));
          const off = lifted.includes(terminalAt(at));
          return (
            <View
              key={name}
              style={[styles.probe, { borderColor: palette.line }]}
              accessibilityLabel={`${name} probe on ${sayPoint(diagram, at)}`}
            >
              <View style={[styles.tip, { backgroundColor: colour, borderColor: palette.ink }]}>
                <Type size="small" weight="strong" style={{ color: palette.onProbe }}>
                  {name}
                </Type>
              </View>
              <View style={styles.grow}>
                {named && one === undefined && (
                  <Type size="small" weight="strong">
                    {nameOf(part)}
                  </Type>
                )}
                <Type size="title" weight="mono" testID={testID}>
                  {isWireEnd(at) ? `wire off ${marked(diagram, at)}` : marked(diagram, at)}
                </Type>
                <View style={styles.wires}>
                  {wires.map((wire) => (
                    <WireSwatch key={wire.id} code={wire.colour} />
                  ))}
                  <Type size="small" weight="strong" tone={off ? 'warn' : 'soft'}>
                    {wires.length === 0 ? 'no wire on it' : off ? 'wire off' : 'wire on'}
                  </Type>
                </View>
              </View>
            </View>
          );
        })}
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  probes: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  probe: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 130,
    flexDirection: 'row',
    gap: space.s,
    borderWidth: 1,
    borderRadius: radius.medium,
    padding: space.s,
  },
  tip: {
    borderRadius: radius.small,
    borderWidth: 1,
    justifyContent: 'center',
    alignItems: 'center',
    width: 50,
  },
  grow: { flex: 1 },
  wires: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: space.s },
});
