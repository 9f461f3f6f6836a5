import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { changedSince } from '../../../core/draft/derive';
import { diagramKey, loadDiagram, ofDiagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector, useWho } from '../../state/hooks';
import { useDraftLint } from '../../workers/draft';
import { Button } from '../../ui/Button';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { Type } from '../../ui/Type';
import { useAddress } from '../../ui/useAddress';
import { useKeys } from '../../ui/useKeys';
import { Icon } from '../../ui/Icon';
import { space, useTheme, WIDE_FROM } from '../../theme/theme';
import { TeachingBenchPane } from '../diagrams/TeachingBenchPane';
import { DrawnDraft, keyOf } from './DrawnDraft';
import { FindableCard } from './FindableCard';
import { FindingsPane } from './FindingsPane';
import type { KeptDraft } from '../../sync/keptDrafts';
import { LinesPane } from './LinesPane';
import { MeanwhileCard } from './MeanwhileCard';
import { PartsPane } from './PartsPane';
import { SheetButton, SheetPhoto, useSheet } from './SheetPhoto';
import { UnitPane } from './UnitPane';
import { UsesCard } from './UsesCard';
import { useDraft, type Draft } from './useDraft';
import { useStoreDraft } from './useStoreDraft';
import { useOpenedDraft } from './useOpenedDraft';

const KEYS: readonly KeyHint[] = [
  ['U', 'takes the last change back'],
  ['R', 'does it again'],
];

/** A diagram of one's own, as it is typed: from nothing, from one that it differs from, or one that is changed. */
export function EditorScreen({ id }: { id: string }) {
  const opened = useOpenedDraft(id);
  const who = useWho();
  if (opened.state !== 'ready')
    return (
      <Screen title="Diagram" back="/diagrams">
        {opened.state === 'failed' ? (
          <Notice
            icon="wifi-off"
            title="The diagram could not be read"
            text="This device does not have it, and the server is away or does not know it."
            testID="failed"
          />
        ) : (
          <Notice icon="loader" title="Reading the diagram" testID="loading" />
        )}
      </Screen>
    );
  return <Editor key={`${who} ${opened.kept.diagram.id}`} who={who} kept={opened.kept} />;
}

function Editor({ who, kept }: { who: string; kept: KeptDraft }) {
  const draft = useDraft(who, kept);
  const { diagram, change, undo, redo } = draft;
  const { at, go } = useAddress();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const found = useDraftLint(diagram);
  const origin = useOrigin(diagram.derivedFrom);
  const [store, storing] = useStoreDraft(draft);
  /** The version from elsewhere that was settled last. */
  const [settled, settle] = useState(0);
  const { meanwhile } = storing;
  useKeys({ ...(undo && { u: undo }), ...(redo && { r: redo }) });

  const errors = found?.filter(({ finding }) => finding.severity === 'error').length ?? 0;
  const panes = {
    ...(!wide && { lines: 'Lines' }),
    parts: `Parts ${diagram.parts.length}`,
    check: found?.length ? `Check ${found.length}` : 'Check',
    drawing: 'Drawing',
    unit: 'Unit',
  };
  const names = Object.keys(panes) as (keyof typeof panes)[];
  const pane = names.find((each) => each === at.get('pane')) ?? names[0] ?? 'parts';
  const open = (part: string | undefined): void => go({ pane: 'parts', part });
  const sheet = useSheet(diagram.id);
  const typing = pane === 'lines' || pane === 'parts';
  const lines = <LinesPane diagram={diagram} change={change} />;
  const drawing = <DrawnDraft diagram={diagram} sound={found !== undefined && errors === 0} />;
  const tabs = (
    <Tabs
      names={panes as Record<string, string>}
      label="The draft"
      chosen={pane}
      choose={(to) => go({ pane: to, part: undefined })}
    />
  );
  const alive =
    pane === 'drawing' && found !== undefined && errors === 0 && diagram.wires.length > 0;
  const middle = alive ? (
    <TeachingBenchPane
      key={keyOf(diagram)}
      diagram={diagram}
      drawingKey={keyOf(diagram)}
      more={(bench) => <UsesCard diagram={diagram} bench={bench} change={change} />}
    />
  ) : (
    <ScrollView
      tabIndex={0}
      role="region"
      aria-label={panes[pane] ?? 'The draft'}
      style={styles.grow}
      contentContainerStyle={styles.inner}
      keyboardShouldPersistTaps="handled"
    >
      {typing && !sheet.address && <SheetButton sheet={sheet} />}
      {pane === 'lines' && lines}
      {pane === 'parts' && (
        <PartsPane
          diagram={diagram}
          change={change}
          opened={at.get('part') ?? undefined}
          open={open}
          changed={origin ? changedSince(origin, diagram) : NOTHING}
        />
      )}
      {pane === 'check' && (
        <>
          <FindingsPane diagram={diagram} found={found} change={change} open={open} />
          {found !== undefined && errors === 0 && <FindableCard diagram={diagram} />}
        </>
      )}
      {pane === 'drawing' && drawing}
      {pane === 'unit' && (
        <UnitPane diagram={diagram} stored={draft.stored} origin={origin} change={change} />
      )}
    </ScrollView>
  );
  return (
    <Screen
      title={diagram.name}
      under={sayStanding(draft)}
      back="/diagrams"
      keys={KEYS}
      actions={
        <>
          <Back icon="corner-up-left" name="Take the last change back" testID="undo" press={undo} />
          <Back icon="corner-up-right" name="Do it again" testID="redo" press={redo} />
        </>
      }
    >
      {!draft.kept && !draft.whole && (
        <Type weight="strong" tone="bad" role="alert" testID="not-kept" style={styles.notKept}>
          This device is full: what you change is lost with the page. Store it, or save it as text.
        </Type>
      )}
      {meanwhile && meanwhile.version !== settled && (
        <ScrollView style={styles.meanwhile} contentContainerStyle={styles.inner}>
          <MeanwhileCard
            mine={diagram}
            theirs={meanwhile.theirs}
            version={meanwhile.version}
            take={(theirs) => {
              change(theirs);
              settle(meanwhile.version);
            }}
            leave={() => settle(meanwhile.version)}
          />
        </ScrollView>
      )}
      {wide ? (
        <View style={styles.wide}>
          <ScrollView
            tabIndex={0}
            role="region"
            aria-label="Lines"
            style={styles.side}
            contentContainerStyle={styles.inner}
          >
            {lines}
          </ScrollView>
          <View style={styles.grow}>
            {tabs}
            {middle}
          </View>
          <ScrollView
            tabIndex={0}
            role="region"
            aria-label="Drawing"
            style={styles.side}
            contentContainerStyle={styles.inner}
          >
            <SheetPhoto sheet={sheet} />
            {drawing}
          </ScrollView>
        </View>
      ) : (
        <>
          {tabs}
          {typing && <SheetPhoto sheet={sheet} />}
          {middle}
        </>
      )}
      <View style={styles.foot}>
        {storing.says && (
          <Type weight="strong" tone={storing.ok ? 'good' : 'bad'} testID="stored" role="alert">
            {storing.says}
          </Type>
        )}
        {draft.whole && draft.stored ? (
          <Button
            look="act"
            icon="plus"
            label="Start a call with it"
            testID="start-call"
            onPress={() =>
              router.navigate(
                `/new?diagram=${encodeURIComponent(diagramKey(diagram.id, draft.stored?.version ?? 1))}`,
              )
            }
          />
        ) : (
          <Button
            look="act"
            icon="save"
            label={
              draft.stored ? `Store as version ${draft.stored.version + 1}` : 'Store it in the shop'
            }
            testID="store"
            disabled={storing.busy}
            onPress={store}
          />
        )}
      </View>
    </Screen>
  );
}

/** A sign alone, in the bar; greyed where there is nothing to take back. */
function Back({
  icon,
  name,
  testID,
  press,
}: {
  icon: 'corner-up-left' | 'corner-up-right';
  name: string;
  testID: string;
  press: (() => void) | undefined;
}) {
  const palette = useTheme();
  return (
    <Pressable
      role="button"
      accessibilityLabel={name}
      testID={testID}
      disabled={!press}
      onPress={press}
      style={[styles.back, !press && styles.idle]}
    >
      <Icon name={icon} size={24} color={palette.ink} />
    </Pressable>
  );
}

const NOTHING: ReadonlyMap<string, 'new' | 'changed'> = new Map();

const sayStanding = ({ whole, stored, diagram }: Draft): string => {
  const at = stored ? `version ${stored.version}` : 'not stored';
  return `${diagram.kind} · ${whole || !stored ? at : `${at}, changed`}`;
};

/** The diagram that a draft was made from. */
function useOrigin(from: { id: string; version: number } | undefined) {
  const dispatch = useAppDispatch();
  const { bodies } = useAppSelector((state) => state.diagrams);
  const key = from && diagramKey(from.id, from.version);
  useEffect(() => {
    const wanted = key === undefined ? undefined : ofDiagramKey(key);
    if (wanted) void dispatch(loadDiagram(wanted));
  }, [dispatch, key]);
  return key === undefined ? undefined : bodies[key];
}

const styles = StyleSheet.create({
  notKept: { padding: space.m },
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  wide: { flex: 1, flexDirection: 'row' },
  side: { width: 380, flexGrow: 0 },
  grow: { flex: 1, minWidth: 0 },
  back: { width: 48, height: 48, alignItems: 'center', justifyContent: 'center' },
  idle: { opacity: 0.35 },
  meanwhile: { flexGrow: 0, maxHeight: '50%' },
  foot: { padding: space.m, gap: space.s, width: '100%', maxWidth: 640, alignSelf: 'center' },
});
