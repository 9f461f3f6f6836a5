import { StyleSheet, View } from 'react-native';
import { SIGHT_WORDS } from '../../core/describe/unit';
import { REASON_WORDS } from '../../core/describe/refusal';
import type { NewEntry } from '../../contract/entry';
import { sayInputFault } from '../../contract/problem';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { discard, tryAgain } from '../sync/outbox';
import { callOf, type OutboxItem } from '../sync/outboxItem';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Card } from './Card';
import { Type } from './Type';
import { saveWaiting } from './WaitingStrip';

/** Something that the server would not store: what, why, and what can be done about it. */
export function RefusedCard({ item }: { item: OutboxItem }) {
  const dispatch = useAppDispatch();
  const items = useAppSelector((state) => state.outbox.items);
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
      <Type size="small">{whatItIs(item)}</Type>
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
function whatItIs(item: OutboxItem): string {
  switch (item.to) {
    case 'calls':
      return `Call: ${item.body.complaint}`;
    case 'tables':
      return `Contact table of ${item.body.part}`;
    case 'entries':
      return whatEntryIs(item.body);
  }
}

function whatEntryIs(entry: NewEntry): string {
  switch (entry.kind) {
    case 'reading':
      return `Reading ${entry.body.from} to ${entry.body.to}: ${entry.body.said}`;
    case 'statement':
      return `${entry.body.source === 'told' ? 'Told' : 'Seen'}: ${entry.body.subject} ${entry.body.outcome}`;
    case 'look':
      return `Looked at ${entry.body.look}: ${entry.body.found ? 'found' : 'nothing'}`;
    case 'sight':
      return `Noticed: ${entry.body.part} ${SIGHT_WORDS[entry.body.sight]}`;
    case 'measurement':
      return `Measured: ${entry.body.actuator} ${entry.body.value}`;
    case 'act':
      return `Done: ${entry.body.part} ${entry.body.act}`;
    case 'refusal':
      return `Test not done: ${REASON_WORDS[entry.body.why]}`;
    case 'doubt':
      return `Taken back: ${entry.body.reason}`;
    case 'stage':
      return entry.body.stage === 'done' ? 'Call finished' : 'Call opened again';
    case 'acknowledged':
      return `Confirmed: ${entry.body.what.replace(/-/g, ' ')}`;
    case 'diagram':
      return `Version ${entry.body.version} of the diagram`;
  }
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
