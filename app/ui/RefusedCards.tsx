import { StyleSheet, View } from 'react-native';
import type { Outcome } from '../../core/behaviour/statement';
import { sayAcknowledged } from '../../core/describe/acknowledged';
import { sayDoing } from '../../core/describe/outcome';
import { sayPoints } from '../../core/describe/point';
import { ACT_WORDS, nameOf, SIGHT_WORDS } from '../../core/describe/unit';
import type { Diagram } from '../../core/diagram/diagram';
import { REASON_WORDS } from '../../core/describe/refusal';
import type { NewEntry } from '../../contract/entry';
import { sayInputFault } from '../../contract/problem';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { discard, refusedItems, tryAgain } from '../sync/outbox';
import { callOf, type OutboxItem } from '../sync/outboxItem';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Card } from './Card';
import { Type } from './Type';
import { saveWaiting } from './WaitingStrip';

/** All that the server would not store. */
export function RefusedCards() {
  const refused = useAppSelector(refusedItems);
  return refused.map((item) => <RefusedCard key={item.order} item={item} />);
}

/** Something that the server would not store: what, why, and what can be done about it. */
function RefusedCard({ item }: { item: OutboxItem }) {
  const dispatch = useAppDispatch();
  const items = useAppSelector((state) => state.outbox.items);
  const diagram = useAppSelector((state) => state.calls.open[callOf(item)]?.diagram);
  if (!item.refused) return null;
  const faults = item.refused.faults ?? [];
  // What was entered for a call that is refused waits with it.
  const held =
    item.to === 'calls' ? items.filter((each) => each !== item && callOf(each) === item.id) : [];
  return (
    <Card ground="badGround" edge="bad" style={{ margin: space.s }} role="alert" testID="refused">
      <Type weight="strong" tone="bad">
        Not stored: {item.refused.title}
      </Type>
      <Type size="small">{whatItIs(item, diagram)}</Type>
      {faults.map((fault) => (
        <Type key={sayInputFault(fault)} size="small">
          {sayInputFault(fault)}
        </Type>
      ))}
      {held.length > 0 && (
        <Type size="small">{`${held.length} more of this call wait with it.`}</Type>
      )}
      <View style={styles.row}>
        <Button
          label="Try again"
          icon="refresh-cw"
          testID="refused-again"
          onPress={() => void dispatch(tryAgain(item.order))}
        />
        <Button
          label="Save to a file"
          icon="save"
          testID="refused-save"
          onPress={() => saveWaiting([item, ...held])}
        />
        <Button
          label={held.length ? `Remove all ${held.length + 1}` : 'Remove'}
          icon="x"
          testID="refused-discard"
          onPress={() => void dispatch(discard(item.order))}
        />
      </View>
    </Card>
  );
}

/** What was entered, as far as it helps to know it again. */
function whatItIs(item: OutboxItem, diagram: Diagram | undefined): string {
  switch (item.to) {
    case 'calls':
      return `Call: ${item.body.complaint}`;
    case 'tables':
      return `Contact table of ${named(diagram, item.body.part)}`;
    case 'entries':
      return whatEntryIs(item.body, diagram);
  }
}

/** A part by its name; where its diagram is not at hand nobody is shown what the model calls it. */
const named = (diagram: Diagram | undefined, id: string): string =>
  diagram ? nameOf(diagram, id) : 'a part';

function whatEntryIs(entry: NewEntry, diagram: Diagram | undefined): string {
  switch (entry.kind) {
    case 'reading':
      return `Reading${diagram ? ` ${sayPoints(diagram, entry.body.from, entry.body.to)}` : ''}: ${entry.body.said}`;
    case 'statement':
      return `${entry.body.source === 'told' ? 'Told' : 'Seen'}: ${diagram ? sayDoing(diagram, entry.body.subject, entry.body.outcome as Outcome) : entry.body.outcome}`;
    case 'look':
      return `Looked: ${diagram?.looks?.find(({ id }) => id === entry.body.look)?.says ?? 'a quick look'}: ${entry.body.found ? 'found' : 'nothing'}`;
    case 'sight':
      return `Noticed: ${named(diagram, entry.body.part)} ${SIGHT_WORDS[entry.body.sight]}`;
    case 'measurement':
      return `Measured: ${named(diagram, entry.body.actuator)} ${entry.body.value}`;
    case 'act':
      return `Done: ${named(diagram, entry.body.part)} ${ACT_WORDS[entry.body.act]}`;
    case 'refusal':
      return `Test not done: ${REASON_WORDS[entry.body.why]}`;
    case 'correction':
      return `Corrected: ${Object.values(entry.body).join(', ')}`;
    case 'doubt':
      return `Taken back: ${entry.body.reason}`;
    case 'stage':
      return entry.body.stage === 'done' ? 'Call finished' : 'Call opened again';
    case 'acknowledged':
      return `Confirmed: ${sayAcknowledged(entry.body)}`;
    case 'diagram':
      return `Version ${entry.body.version} of the diagram`;
  }
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
