import { StyleSheet, View } from 'react-native';
import { sayLogEntry } from '../../core/describe/logEntry';
import { nameOf } from '../../core/describe/unit';
import type { Diagram } from '../../core/diagram/diagram';
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
      return `Contact table of ${diagram ? nameOf(diagram, item.body.part) : 'a part'}`;
    case 'photos':
      return `Photo: ${item.body.shows}`;
    case 'entries':
      return sayLogEntry(diagram, item.body);
  }
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
