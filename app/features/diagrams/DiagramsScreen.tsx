import { useEffect, useMemo, useState } from 'react';
import { FlatList, Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { DiagramSummary } from '../../../contract/diagram';
import { DiagramSearch } from '../../search/diagramSearch';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { focusOn } from '../../ui/focusOn';
import type { KeyHint } from '../../ui/KeysCard';
import { useKeys } from '../../ui/useKeys';
import { Notice } from '../../ui/Notice';
import { RowLink } from '../../ui/RowLink';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { loadCalls } from '../../state/calls';
import { sheetsOf } from '../../../core/diagram/modelPattern';
import { loadDiagrams } from '../../state/diagrams';
import { useModelSheets } from '../../state/useModelSheets';
import { useAppDispatch, useAppSelector, useWho } from '../../state/hooks';
import { change } from '../../state/settings';
import { LOW_UNDER, space, useTheme } from '../../theme/theme';
import { Icon } from '../../ui/Icon';
import { OwnDiagrams } from './OwnDiagrams';

interface Row {
  diagram: DiagramSummary;
  /** Calls of this shop that were worked with it. */
  used: number;
}

const KEYS: readonly KeyHint[] = [['/', 'searches']];

/** The diagrams of the shop, found by kind, part, what people call it, or what it does not do. */
export function DiagramsScreen() {
  const dispatch = useAppDispatch();
  const { list: diagrams, listState } = useAppSelector((state) => state.diagrams);
  const calls = useAppSelector((state) => state.calls.list);
  const favourites = useAppSelector((state) => state.settings.favourites);
  const [search, setSearch] = useState('');
  const [kept, setKept] = useState(false);
  useEffect(() => {
    void dispatch(loadDiagrams());
    void dispatch(loadCalls(''));
  }, [dispatch]);
  const finder = useMemo(() => new DiagramSearch(diagrams), [diagrams]);
  const who = useWho();
  const { sheets } = useModelSheets(who);
  // A model number finds the sheet that it uses before any word does.
  const byModel = useMemo(
    () => new Set(sheetsOf(sheets, '', search).map(({ diagram }) => diagram)),
    [sheets, search],
  );
  const rows = useMemo(
    () =>
      [
        ...diagrams.filter(({ id }) => byModel.has(id)),
        ...finder.find(search).filter(({ id }) => !byModel.has(id)),
      ].map((diagram): Row => {
        const used = calls.filter((call) => call.diagramId === diagram.id).length;
        return { diagram, used };
      }),
    [finder, search, calls, diagrams, byModel],
  );
  const starred = diagrams.filter(({ id }) => favourites.includes(id)).length;
  const found = rows.filter(({ diagram: { id } }) => !kept || favourites.includes(id));
  // What is looked for stands by how well it fits, all of them by how often they are used.
  if (!search.trim())
    found.sort(
      (a, b) =>
        Number(favourites.includes(b.diagram.id)) - Number(favourites.includes(a.diagram.id)) ||
        b.used - a.used ||
        a.diagram.kind.localeCompare(b.diagram.kind),
    );
  const star = (id: string): void => {
    const others = favourites.filter((each) => each !== id);
    dispatch(change({ favourites: others.length < favourites.length ? others : [...others, id] }));
  };
  useKeys({ '/': () => focusOn('search') });
  // In a low window the list needs the room, and what it is looked through by scrolls with it.
  const low = useWindowDimensions().height < LOW_UNDER;
  const tools = (
    <View style={styles.tools}>
      <Field
        label="Search kind of unit, model number, part, what people call it, or what it does not do"
        testID="search"
        value={search}
        onChangeText={setSearch}
      />
      <View style={styles.row}>
        <Button
          label={`All ${diagrams.length}`}
          testID="show-all"
          selected={!kept}
          onPress={() => setKept(false)}
          style={styles.half}
        />
        <Button
          icon="star"
          label={`Favourites ${starred}`}
          testID="show-favourites"
          selected={kept}
          onPress={() => setKept(true)}
          style={styles.half}
        />
      </View>
      <OwnDiagrams />
    </View>
  );
  return (
    <Screen title="Diagrams" back="/" keys={KEYS}>
      {!low && tools}
      <FlatList
        ListHeaderComponent={low ? tools : null}
        data={found}
        keyExtractor={({ diagram }) => diagram.id}
        renderItem={({ item }) => (
          <DiagramRow
            row={item}
            favourite={favourites.includes(item.diagram.id)}
            star={() => star(item.diagram.id)}
          />
        )}
        contentContainerStyle={styles.list}
        ListEmptyComponent={<Empty state={diagrams.length ? 'none-match' : listState} />}
        testID="diagrams"
      />
    </Screen>
  );
}

function DiagramRow({
  row: { diagram, used },
  favourite,
  star,
}: {
  row: Row;
  favourite: boolean;
  star: () => void;
}) {
  const palette = useTheme();
  const { id, parts, switches } = diagram;
  return (
    <View style={styles.row}>
      <Pressable
        accessibilityRole="button"
        accessibilityLabel={
          favourite ? `${diagram.name}: a favourite` : `Keep ${diagram.name} at hand`
        }
        aria-pressed={favourite}
        testID={`star-${id}`}
        onPress={star}
        style={styles.star}
      >
        <Icon name="star" size={24} color={favourite ? palette.act : palette.soft} />
        {favourite && <Type size="small">kept</Type>}
      </Pressable>
      <View style={styles.grow}>
        <RowLink href={`/diagram/${id}`} name={diagram.name} testID={`diagram-${id}`}>
          <Type weight="strong">{diagram.name}</Type>
          <Type size="small" tone="soft">
            {diagram.kind} · {parts} parts, {switches} {switches === 1 ? 'switch' : 'switches'} ·{' '}
            {used === 0 ? 'not used yet' : `used in ${used} ${used === 1 ? 'call' : 'calls'}`}
          </Type>
        </RowLink>
      </View>
    </View>
  );
}

function Empty({ state }: { state: string }) {
  const dispatch = useAppDispatch();
  switch (state) {
    case 'failed':
      return (
        <Notice
          icon="wifi-off"
          title="The diagrams could not be read"
          text="The server is away and this device has not seen them yet."
          testID="failed"
        >
          <Button
            label="Try again"
            icon="refresh-cw"
            testID="retry"
            onPress={() => void dispatch(loadDiagrams())}
          />
        </Notice>
      );
    case 'none-match':
      return (
        <Notice
          icon="search"
          title="No diagram matches"
          text="Search for fewer words, or look under All."
          testID="none-match"
        />
      );
    case 'ready':
      return (
        <Notice
          icon="book-open"
          title="No diagrams yet"
          text="They come with the next word of the server."
          testID="empty"
        />
      );
    default:
      return <Notice icon="loader" title="Reading the diagrams" testID="loading" />;
  }
}

const styles = StyleSheet.create({
  tools: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', gap: space.s, alignItems: 'center' },
  half: { flex: 1 },
  star: { width: 48, height: 60, alignItems: 'center', justifyContent: 'center' },
  grow: { flex: 1 },
  list: {
    paddingHorizontal: space.m,
    gap: space.s,
    paddingBottom: space.l,
    width: '100%',
    maxWidth: 820,
    alignSelf: 'center',
  },
});
