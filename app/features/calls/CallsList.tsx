import { router } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { FlatList, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { CallSummary } from '../../../contract/call';
import { foldText, matches as hasWords } from '../../../core/describe/searchWords';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Field } from '../../ui/Field';
import { focusOn } from '../../ui/focusOn';
import type { KeyHint } from '../../ui/KeysCard';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { RowLink } from '../../ui/RowLink';
import { LONG_LIST } from '../../ui/longList';
import { Type } from '../../ui/Type';
import { sayWhen } from '../../ui/sayTime';
import { useKeys } from '../../ui/useKeys';
import { useIdle } from '../../ui/whenIdle';
import { freshenCalls, loadCalls, loadMoreCalls } from '../../state/calls';
import { selectCalls } from '../../state/callView';
import { useAppDispatch, useAppSelector, useWho } from '../../state/hooks';
import { LOW_UNDER, space } from '../../theme/theme';

type Show = 'today' | 'open' | 'all';
const SHOWS: { id: Show; label: string }[] = [
  { id: 'today', label: 'Today' },
  { id: 'open', label: 'Open' },
  { id: 'all', label: 'All' },
];

/** As many as a phone shows before anybody scrolls. */
const FIRST_ROWS = 5;

/** A pause in typing after which the server is asked. */
const SEARCH_AFTER_MS = 250;

export const LIST_KEYS: readonly KeyHint[] = [
  ['N', 'a new call'],
  ['/', 'searches the calls'],
];

/**
 * The calls: today's, the open ones, or all; searched by what a person remembers of them.
 * @param opened the one that stands beside it
 */
export function CallsList({ opened }: { opened?: string }) {
  const dispatch = useAppDispatch();
  const calls = useAppSelector(selectCalls);
  const listState = useAppSelector((state) => state.calls.listState);
  const [show, setShow] = useState<Show>('open');
  const [search, setSearch] = useState('');

  const whole = useAppSelector((state) => state.calls.next === null);
  const who = useWho();

  // What is typed is looked for on the server a moment later; here among what is loaded at once.
  useEffect(() => {
    const timer = setTimeout(() => dispatch(freshenCalls(search)), search ? SEARCH_AFTER_MS : 0);
    return () => clearTimeout(timer);
  }, [dispatch, search, who]);
  const newCall = (): void => router.navigate('/new');
  const day = (): void => router.navigate('/day');
  useKeys({ n: newCall, '/': () => focusOn('search') });

  // What says times takes longer to make than the rows themselves: they come right after.
  const timed = useIdle();
  const found = calls.filter((call) => belongs(call, show) && matches(call, search));
  // In a low window the list needs the room, and what it is looked through by scrolls with it.
  const low = useWindowDimensions().height < LOW_UNDER;
  const tools = (
    <View style={styles.tools}>
      <Field
        label="Search make, model, place, person or complaint"
        testID="search"
        value={search}
        onChangeText={setSearch}
      />
      <OneOf
        label="Which calls"
        choices={SHOWS.map(({ id, label }) => ({
          id,
          label: whole ? `${label} ${calls.filter((call) => belongs(call, id)).length}` : label,
          testID: `show-${id}`,
          style: styles.third,
        }))}
        chosen={show}
        choose={setShow}
      />
    </View>
  );
  return (
    <View style={styles.whole}>
      {!low && tools}
      <FlatList
        ListHeaderComponent={low ? tools : null}
        data={found}
        keyExtractor={(call) => call.id}
        renderItem={({ item }) => <CallRow call={item} here={item.id === opened} timed={timed} />}
        contentContainerStyle={styles.list}
        initialNumToRender={FIRST_ROWS}
        onEndReached={() => void dispatch(loadMoreCalls())}
        onEndReachedThreshold={1}
        ListEmptyComponent={
          <Empty
            state={calls.length ? 'none-match' : listState}
            retry={() => void dispatch(loadCalls(search))}
          />
        }
        {...LONG_LIST}
        testID="calls"
      />
      <View style={styles.foot}>
        <Button
          look="act"
          icon="plus"
          label="New call"
          shortcut="N"
          testID="new-call"
          onPress={newCall}
          style={styles.third}
        />
        <Button icon="clock" label="The day" testID="day-link" onPress={day} />
      </View>
    </View>
  );
}

function belongs(call: CallSummary, show: Show): boolean {
  if (show === 'all') return true;
  if (show === 'open') return call.stage === 'open';
  return new Date(call.lastAt).toDateString() === new Date().toDateString();
}

function matches(call: CallSummary, search: string): boolean {
  const { make, model, place, customer } = call.appliance;
  const text = [call.complaint, call.diagramName, make, model, place, customer ?? ''].join(' ');
  return hasWords(foldText(text), search);
}

interface RowProps {
  call: CallSummary;
  here: boolean;
  timed: boolean;
}

const CallRow = memo(({ call, here, timed }: RowProps) => {
  const { make, model, place } = call.appliance;
  return (
    <RowLink
      href={`/call/${call.id}`}
      name={`${call.complaint}. ${make} ${model}, ${place}`}
      testID={`call-${call.id}`}
      here={here}
    >
      <Type weight="strong" numberOfLines={2}>
        {call.complaint}
      </Type>
      <Type size="small" tone="soft" numberOfLines={1}>
        {make} {model} · {place}
      </Type>
      {call.found && (
        <Type size="small" weight="strong" numberOfLines={1} testID="row-found">
          {call.found.part === undefined
            ? 'Nothing wrong in the unit'
            : `${call.found.name ?? 'Found'}: ${call.found.says}`}
        </Type>
      )}
      <View style={styles.row}>
        <Chip
          label={
            call.stage === 'done'
              ? 'Done'
              : call.readings
                ? `Open, ${call.readings} readings`
                : 'Open, nothing read'
          }
          tone={call.stage === 'done' ? 'good' : call.readings ? 'warn' : 'ink'}
          icon={call.stage === 'done' ? 'check' : 'tool'}
        />
        <Type size="small" tone="soft">
          {timed ? sayWhen(new Date(call.lastAt)) : ' '}
        </Type>
      </View>
    </RowLink>
  );
});
CallRow.displayName = 'CallRow';

function Empty({ state, retry }: { state: string; retry: () => void }) {
  switch (state) {
    case 'failed':
      return (
        <Notice
          icon="wifi-off"
          title="The calls could not be read"
          text="The server is away and this device has not seen them yet."
          testID="failed"
        >
          <Button label="Try again" icon="refresh-cw" testID="retry" onPress={retry} />
        </Notice>
      );
    case 'none-match':
      return (
        <Notice
          icon="search"
          title="No call matches"
          text="Look under All, or search for fewer words."
          testID="none-match"
        />
      );
    case 'ready':
      return (
        <Notice
          icon="clipboard"
          title="No calls yet"
          text="Open the first one below."
          testID="empty"
        />
      );
    default:
      return <Notice icon="loader" title="Reading the calls" testID="loading" />;
  }
}

const styles = StyleSheet.create({
  whole: { flex: 1 },
  tools: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', gap: space.s, alignItems: 'center' },
  third: { flexGrow: 1, paddingHorizontal: space.m },
  list: {
    paddingHorizontal: space.m,
    gap: space.s,
    paddingBottom: space.l,
    width: '100%',
    maxWidth: 820,
    alignSelf: 'center',
  },
  foot: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.s,
    padding: space.m,
    width: '100%',
    maxWidth: 820,
    alignSelf: 'center',
  },
});
