import { StyleSheet, View } from 'react-native';
import type { Diagram, Part, TerminalRef } from '../../../core/diagram/diagram';
import { splitRef, terminalRef } from '../../../core/diagram/terminal';
import { alongTheLine } from '../../../core/plan/line';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { space, useTheme } from '../../theme/theme';
import { marked, sayPoint } from '../../../core/describe/point';

interface Props {
  diagram: Diagram;
  /** The points in hand, whose parts come first. */
  at: TerminalRef[] | undefined;
}

/** The wiring, part by part: where each sits, behind which panel, and where its wires go. */
export function DiagramPane({ diagram, at }: Props) {
  const owners = at?.map((ref) => splitRef(ref).part) ?? [];
  const line = alongTheLine(diagram);
  const parts = diagram.parts
    .filter((part) => part.terminals.length > 0)
    .sort(
      (a, b) =>
        Number(owners.includes(b.id)) - Number(owners.includes(a.id)) ||
        (line.get(a.id) ?? Infinity) - (line.get(b.id) ?? Infinity),
    );
  return (
    <Card testID="diagram-pane">
      <Type weight="heavy" role="heading" aria-level={2}>
        Wiring, from the supply on
      </Type>
      {parts.map((part) => (
        <PartWiring key={part.id} diagram={diagram} part={part} at={at ?? []} />
      ))}
    </Card>
  );
}

function PartWiring({ diagram, part, at }: { diagram: Diagram; part: Part; at: TerminalRef[] }) {
  const palette = useTheme();
  const panel = diagram.panels.find((each) => each.id === part.panel);
  const place = [part.where, panel && `behind: ${panel.name}, ${panel.fastener}`].filter(Boolean);
  return (
    <View style={[styles.part, { borderColor: palette.line }]} testID={`wiring-${part.id}`}>
      <Type weight="strong">{part.name}</Type>
      {place.length > 0 && (
        <Type size="small" tone="soft">
          {place.join(' · ')}
        </Type>
      )}
      {part.causes && (
        <Type size="small" tone="soft">
          Fails by: {part.causes.join('; ')}
        </Type>
      )}
      {part.terminals.map(({ id }) => {
        const ref = terminalRef(part.id, id);
        const probe = at.indexOf(ref);
        return diagram.wires
          .filter((wire) => wire.from === ref || wire.to === ref)
          .map((wire) => {
            const far = wire.from === ref ? wire.to : wire.from;
            return (
              <View key={wire.id} style={styles.wire}>
                <Type weight="mono" style={styles.terminal}>
                  {marked(diagram, ref)}
                </Type>
                <WireSwatch code={wire.colour} />
                <Type size="small" style={styles.grow}>
                  to {sayPoint(diagram, far)}
                  {probe < 0 ? '' : probe === 0 ? ' · red probe' : ' · black probe'}
                </Type>
              </View>
            );
          });
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { borderTopWidth: 1, paddingVertical: space.s, gap: space.xs },
  wire: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  terminal: { minWidth: 56 },
  grow: { flex: 1 },
});
