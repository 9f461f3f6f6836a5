import { router } from 'expo-router';
import { useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { useAddress } from '../../ui/useAddress';
import { Tabs } from '../../ui/Tabs';
import { useKeys } from '../../ui/useKeys';
import { Type } from '../../ui/Type';
import { Card } from '../../ui/Card';
import { diagramKey, loadDiagram, loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { space } from '../../theme/theme';
import { ComplaintMap } from './ComplaintMap';
import { PlainTable } from './PlainTable';
import { TeachingBenchPane } from './TeachingBenchPane';
import { switches } from '../../../core/diagram/terminal';
import { DiagramFiles } from './DiagramFiles';
import { DiagramPane } from './DiagramPane';

const PANES = {
  drawing: 'Drawing',
  tables: 'Tables',
  parts: 'Parts',
  complaints: 'Complaints',
  cautions: 'Cautions',
};
const PANE_NAMES = Object.keys(PANES) as (keyof typeof PANES)[];

const KEYS: readonly KeyHint[] = [['N', 'a new call with this diagram']];

/** One diagram: alive, its tables and parts, what its faults do, and a call from it. */
export function DiagramScreen({ id }: { id: string }) {
  const dispatch = useAppDispatch();
  const { list, listState, bodies, bodyState } = useAppSelector((state) => state.diagrams);
  useEffect(() => {
    void dispatch(loadDiagrams());
  }, [dispatch]);
  const version = list.find((each) => each.id === id)?.version;
  useEffect(() => {
    if (version !== undefined) void dispatch(loadDiagram({ id, version }));
  }, [dispatch, id, version]);
  const key = version === undefined ? undefined : diagramKey(id, version);
  const diagram = key === undefined ? undefined : bodies[key];
  const missing = listState === 'ready' && key === undefined;
  const failed = listState === 'failed' || (key !== undefined && bodyState[key] === 'failed');
  if (key === undefined || !diagram)
    return (
      <Screen title="Diagram" back="/diagrams">
        {missing || failed ? (
          <Notice
            icon={missing ? 'search' : 'wifi-off'}
            title={missing ? 'No such diagram' : 'The diagram could not be read'}
            text="Look for it in the list, or try again when the server is back."
            testID="failed"
          />
        ) : (
          <Notice icon="loader" title="Reading the diagram" testID="loading" />
        )}
      </Screen>
    );
  return <Opened diagram={diagram} drawingKey={key} version={version} />;
}

function Opened({
  diagram,
  drawingKey,
  version,
}: {
  diagram: Diagram;
  drawingKey: string;
  version: number | undefined;
}) {
  const { at, go } = useAddress();
  const pane = PANE_NAMES.find((each) => each === at.get('pane')) ?? 'drawing';
  const call = (): void => router.navigate(`/new?diagram=${encodeURIComponent(drawingKey)}`);
  useKeys({ n: call });
  return (
    <Screen title={diagram.name} under={diagram.kind} back="/diagrams" keys={KEYS}>
      <Tabs
        names={PANES}
        label="The diagram"
        chosen={pane}
        choose={(to) => go({ pane: to === 'drawing' ? undefined : to })}
      />
      {pane === 'drawing' ? (
        <TeachingBenchPane diagram={diagram} drawingKey={drawingKey} />
      ) : (
        <ScrollView
          tabIndex={0}
          role="region"
          aria-label={PANES[pane]}
          contentContainerStyle={styles.inner}
        >
          {pane === 'tables' &&
            switches(diagram).map((part) => (
              <PlainTable key={part.id} diagram={diagram} part={part} />
            ))}
          {pane === 'parts' && <DiagramPane diagram={diagram} at={undefined} />}
          {pane === 'parts' && <DiagramFiles {...{ diagram, drawingKey, version }} />}
          {pane === 'complaints' && <ComplaintMap diagram={diagram} drawingKey={drawingKey} />}
          {pane === 'cautions' && (
            <Card testID="cautions" ground="warnGround" edge="warn">
              {diagram.cautions.map((each) => (
                <Type key={each}>{each}</Type>
              ))}
              <Type size="small">
                The maker’s sheet, local codes and licensed practice go before this diagram.
              </Type>
            </Card>
          )}
        </ScrollView>
      )}
      <View style={styles.foot}>
        <View style={styles.row}>
          <Button
            icon="copy"
            label="A variant"
            hint="Make one that differs from it"
            testID="differs"
            onPress={() => router.navigate(`/edit/new?from=${encodeURIComponent(drawingKey)}`)}
            style={styles.grow}
          />
          <Button
            icon="edit-2"
            label="Change it"
            testID="change-diagram"
            onPress={() => router.navigate(`/edit/${diagram.id}`)}
            style={styles.grow}
          />
        </View>
        <Button
          look="act"
          icon="plus"
          label="Start a call with it"
          testID="start-call"
          shortcut="N"
          onPress={call}
        />
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  foot: { padding: space.m, gap: space.s, width: '100%', maxWidth: 640, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
