import { View } from 'react-native';
import { sayInputFault } from '../../contract/problem';
import { useAppDispatch } from '../state/hooks';
import { discard } from '../sync/outbox';
import { type OutboxItem } from '../sync/outboxItem';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Card } from './Card';
import { Type } from './Type';

/** Something that the server would not store: what, why, and the choice to let it go. */
export function RefusedCard({ item }: { item: OutboxItem }) {
  const dispatch = useAppDispatch();
  if (!item.refused) return null;
  const faults = item.refused.faults ?? [];
  return (
    <Card ground="badGround" edge="bad" style={{ margin: space.s }} role="alert" testID="refused">
      <Type weight="strong" tone="bad">
        Not stored: {item.refused.title}
      </Type>
      {faults.map((fault) => (
        <Type key={sayInputFault(fault)} size="small">
          {sayInputFault(fault)}
        </Type>
      ))}
      <View style={{ alignItems: 'flex-start' }}>
        <Button
          label="I have read it, remove"
          icon="x"
          testID="refused-discard"
          onPress={() => void dispatch(discard(item.order))}
        />
      </View>
    </Card>
  );
}
