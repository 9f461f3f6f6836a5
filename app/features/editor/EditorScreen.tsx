import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { changedSince } from '../../../core/draft/derive';
import { loadDiagram, loadDiagrams, diagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Refusal, storeDiagram } from '../../sync/api';
import { useDraftLint } from '../../workers/draft';
import { Button } from '../../ui/Button';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { Type } from '../../ui/Type';
import { useAddress } from '../../ui/useAddress';
import { useKeys } from '../../ui/useKeys';
import { space, WIDE_FROM } from '../../theme/theme';
import { DrawnUnit } from '../diagrams/DrawnUnit';
import { FindingsPane } from './FindingsPane';
import type { KeptDraft } from '../../sync/keptDrafts';
import { LinesPane } from './LinesPane';
import { PartsPane } from './PartsPane';
import { UnitPane } from './UnitPane';
import { useDraft, type Draft } from './useDraft';
import { useOpenedDraft } from './useOpenedDraft';

const KEYS: readonly KeyHint[] = [
  ['U', 'takes the last change back'],
  ['R', 'does it again'],
];

/** A diagram of one's own, as it is typed: from nothing, from one that it differs from, or one that is changed. */
export function EditorScreen({ id }: { id: string }) {
  const opened = useOpenedDraft(id);
  const { shop } = useAppSelector((state) => state.outbox);
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
  return <Editor key={`${shop} ${opened.kept.diagram.id}`} shop={shop} kept={opened.kept} />;
}

function Editor({ shop, kept }: { shop: string; kept: KeptDraft }) {
  const draft = useDraft(shop, kept);
  const { diagram, change, undo, redo } = draft;
  const { at, go } = useAddress();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const found = useDraftLint(diagram);
  const origin = useOrigin(diagram.derivedFrom);
  const [store, storing] = useStore(draft);
  useKeys({ ...(undo && { u: undo }), ...(redo && { r: redo }) });

  const errors = found?.filter(({ finding }) => finding.severity === 'error').length ?? 0;
  const panes = {
    ...(!wide && { lines: 'Lines' }),
    parts: `Parts ${diagram.parts.length}`,
    check: found?.length ? `Check ${found.length}` : 'Check',
    ...(!wide && { drawing: 'Drawing' }),
    unit: 'Unit',
  };
  const names = Object.keys(panes) as (keyof typeof panes)[];
  const pane = names.find((each) => each === at.get('pane')) ?? names[0] ?? 'parts';
  const open = (part: string | undefined): void => go({ pane: 'parts', part });
  const lines = <LinesPane diagram={diagram} change={change} />;
  const drawing = <Drawn draft={draft} sound={found !== undefined && errors === 0} />;
  const tabs = (
    <Tabs
      names={panes as Record<string, string>}
      label="The draft"
      chosen={pane}
      choose={(to) => go({ pane: to, part: undefined })}
    />
  );
  const middle = (
    <ScrollView
      tabIndex={0}
      role="region"
      aria-label={panes[pane] ?? 'The draft'}
      style={styles.grow}
      contentContainerStyle={styles.inner}
      keyboardShouldPersistTaps="handled"
    >
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
        <FindingsPane diagram={diagram} found={found} change={change} open={open} />
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
          <Button
            look="bare"
            icon="corner-up-left"
            label="Undo"
            testID="undo"
            disabled={!undo}
            onPress={() => undo?.()}
          />
          <Button
            look="bare"
            icon="repeat"
            label="Redo"
            testID="redo"
            disabled={!redo}
            onPress={() => redo?.()}
          />
        </>
      }
    >
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
            {drawing}
          </ScrollView>
        </View>
      ) : (
        <>
          {tabs}
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

const NOTHING: ReadonlyMap<string, 'new' | 'changed'> = new Map();

const sayStanding = ({ whole, stored, diagram }: Draft): string => {
  const at = stored ? `version ${stored.version}` : 'not stored yet';
  return `${diagram.kind} · ${whole ? at : `${at}, changed on this device`}`;
};

/** The ladder of what is sound; of what is not, what stands in the way. */
function Drawn({ draft: { diagram }, sound }: { draft: Draft; sound: boolean }) {
  const [last, setLast] = useState(sound ? diagram : undefined);
  // The last sound one stays in sight while a line is half done.
  if (sound && last !== diagram) setLast(diagram);
  if (!last || !last.wires.length)
    return (
      <Notice
        icon="grid"
        title="Drawn as soon as it can be"
        text="Once a line is there and nothing under Check stands in the way."
        testID="not-drawn"
      />
    );
  return (
    <>
      {last !== diagram && (
        <Type size="small" tone="soft">
          As it was last sound: what is in the way now stands under Check.
        </Type>
      )}
      <DrawnUnit diagram={last} drawingKey={keyOf(last)} height={460} />
    </>
  );
}

/** Drafts have no version yet: each state of one is told apart by what it is. */
const keys = new WeakMap<object, string>();
let count = 0;
function keyOf(diagram: object): string {
  const key = keys.get(diagram) ?? `draft/${++count}`;
  keys.set(diagram, key);
  return key;
}

/** The diagram that a draft was made from. */
function useOrigin(from: { id: string; version: number } | undefined) {
  const dispatch = useAppDispatch();
  const { bodies } = useAppSelector((state) => state.diagrams);
  const key = from && diagramKey(from.id, from.version);
  useEffect(() => {
    if (from) void dispatch(loadDiagram({ id: from.id, version: from.version }));
    // The key says all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [dispatch, key]);
  return key === undefined ? undefined : bodies[key];
}

interface Storing {
  busy: boolean;
  ok: boolean;
  says: string | undefined;
}

/** Stores a draft as the next version. The same sending is tried again under the same id, so that it is stored once. */
function useStore(draft: Draft): [() => void, Storing] {
  const dispatch = useAppDispatch();
  const { shop } = useAppSelector((state) => state.outbox);
  const [sending, setSending] = useState<{ of: object; sentAs: string }>();
  const [storing, setStoring] = useState<Storing>({ busy: false, ok: true, says: undefined });
  const store = (): void => {
    const body = draft.diagram;
    const sentAs = sending?.of === body ? sending.sentAs : crypto.randomUUID();
    setSending({ of: body, sentAs });
    setStoring({ busy: true, ok: true, says: undefined });
    storeDiagram(shop, sentAs, JSON.stringify(body)).then(
      ({ version }) => {
        draft.markStored(version, body);
        setStoring({ busy: false, ok: true, says: `Stored as version ${version}.` });
        void dispatch(loadDiagrams());
      },
      (error: unknown) => setStoring({ busy: false, ok: false, says: sayWhyNot(error) }),
    );
  };
  return [store, storing];
}

function sayWhyNot(error: unknown): string {
  if (!(error instanceof Refusal))
    return 'The server is away. The draft stays on this device: store it when the server is back.';
  const [first, ...more] = error.problem.faults ?? [];
  const rest = more.length ? ` And ${more.length} more.` : '';
  return first
    ? `Not stored: ${first.message}.${rest} See under Check.`
    : `Not stored: ${error.problem.title}.`;
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  wide: { flex: 1, flexDirection: 'row' },
  side: { width: 380, flexGrow: 0 },
  grow: { flex: 1, minWidth: 0 },
  foot: { padding: space.m, gap: space.s, width: '100%', maxWidth: 640, alignSelf: 'center' },
});
