import { memo, useCallback, useMemo, type ReactElement } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import type { Evidence } from '../../../core/call/evidence';
import type { Diagram } from '../../../core/diagram/diagram';
import { sayMoved } from '../../../core/describe/entryMeaning';
import { sayEvidence } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LONG_LIST } from '../../ui/longList';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import type { ShownFindings } from '../../workers/diagnosis';
import type { Work } from './useWork';

/**
 * Everything that is known of the unit, the last first, with what each entry has changed. A list of
 * its own, so that a long call draws only the lines in sight.
 * @param above what is shown before the first line and moves with the list
 */
export function Log({ work, above }: { work: Work; above: ReactElement }) {
  const { diagram } = work.call;
  const { evidence, takeBack, thinking } = work;
  const findings = thinking ? undefined : work.findings;
  const marked = useMemo(() => {
    const contradicted = findings?.contradictions.flatMap(({ one, two }) => [one, two]) ?? [];
    return new Set([...contradicted, ...(findings?.oddTwins ?? [])]);
  }, [findings]);
  const lines = useMemo(() => evidence.toReversed(), [evidence]);
  const line = useCallback(
    ({ item }: { item: Evidence }) => (
      <Line
        diagram={diagram}
        entry={item}
        marked={marked.has(item.id)}
        moved={findings?.moved[item.id]}
        takeBack={takeBack}
      />
    ),
    [diagram, findings, marked, takeBack],
  );
  return (
    <FlatList
      data={lines}
      keyExtractor={({ id }) => id}
      renderItem={line}
      contentContainerStyle={styles.inner}
      ListHeaderComponent={
        <View style={styles.above}>
          {above}
          <Head work={work} findings={findings} />
        </View>
      }
      {...LONG_LIST}
      testID="evidence"
    />
  );
}

/** What is wrong with the log as a whole, said before its lines. */
function Head({ work, findings }: { work: Work; findings: ShownFindings | undefined }) {
  return (
    <>
      <Type weight="heavy" role="heading" aria-level={2}>
        What is known
      </Type>
      {(findings?.contradictions.length ?? 0) > 0 && (
        <Type weight="strong" tone="warn" testID="contradiction" role="alert">
          Entries marked with ! contradict each other: no fault makes both. Look at one again.
        </Type>
      )}
      {(findings?.oddTwins.length ?? 0) > 0 && (
        <Type weight="strong" tone="warn" testID="odd-twin" role="alert">
          A known-good unit marked with ! shows what the diagram does not foretell: what this unit
          shows there is left out.
        </Type>
      )}
      {work.setAside.map(({ id, findings: [first] }) => (
        <Card key={id} ground="warnGround" edge="warn" testID="set-aside" role="alert">
          <Type weight="strong" tone="warn">
            An entry is kept and not used: {first?.message}
          </Type>
          <Button
            look="bare"
            label="Take it back"
            testID="set-aside-back"
            onPress={() => work.takeBack(id)}
          />
        </Card>
      ))}
    </>
  );
}

interface LineProps {
  diagram: Diagram;
  entry: Evidence;
  marked: boolean;
  /** Suspects whose probability it has changed most. */
  moved: ShownFindings['moved'][string] | undefined;
  takeBack: (id: string) => void;
}

const Line = memo(({ diagram, entry, marked, moved = [], takeBack }: LineProps) => {
  const palette = useTheme();
  const { what, shown } = sayEvidence(diagram, entry);
  return (
    <View style={[styles.row, { borderColor: palette.line }]} testID="evidence-row">
      <View style={styles.grow}>
        <Type weight="strong">
          {marked ? '! ' : ''}
          {shown}
        </Type>
        <Type size="small" tone="soft">
          {what}
        </Type>
        {moved.length > 0 && (
          <Type size="small" testID="moved">
            {moved.map((each) => sayMoved(diagram, each)).join(' · ')}
          </Type>
        )}
      </View>
      <Button
        look="bare"
        label="Take back"
        hint={`Take back ${shown}, ${what}`}
        testID="take-back"
        onPress={() => takeBack(entry.id)}
        style={styles.small}
      />
    </View>
  );
});
Line.displayName = 'Line';

const styles = StyleSheet.create({
  inner: { padding: space.m, paddingBottom: space.xl },
  above: { gap: space.m, paddingBottom: space.s },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, paddingVertical: space.xs },
  grow: { flex: 1 },
  small: { paddingHorizontal: space.s },
});
