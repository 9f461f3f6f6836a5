import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { lastOf } from '../../../core/call/takenBack';
import { PUT_RIGHT_WORDS } from '../../../core/describe/logEntry';
import { nameOf } from '../../../core/describe/unit';
import { capital } from '../../../core/describe/use';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** What a finished call was in the end: asked once, said anew when one hears of it again. It counts for what the shop knows. */
export function PutRightCard({ call }: { call: CallDetail }) {
  const log = useLog(call.id);
  const [asking, setAsking] = useState(false);
  const [other, setOther] = useState(false);
  const { diagram, entries } = call;
  const found = lastOf(entries, 'found')?.body;
  const said = lastOf(entries, 'put-right')?.body;
  if (call.stage !== 'done' || !found) return null;
  const keep = (by: 'found' | 'nothing' | 'not-known'): void => {
    log('put-right', { by });
    setAsking(false);
  };
  if (said && !asking)
    return (
      <Card testID="put-right">
        <Type weight="strong">
          In the end:{' '}
          {said.part === undefined ? PUT_RIGHT_WORDS[said.by] : nameOf(diagram, said.part)}
        </Type>
        <Button
          icon="edit-2"
          label="It came out otherwise"
          testID="put-right-again"
          onPress={() => setAsking(true)}
        />
      </Card>
    );
  const name = found.part === undefined ? 'nothing wrong' : nameOf(diagram, found.part);
  return (
    <Card edge="warn" testID="put-right">
      <Type weight="heavy" role="heading" aria-level={2}>
        Was it that?
      </Type>
      <Type>Found: {name}. What it was in the end counts for the next call on such a unit.</Type>
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="Yes, it was that"
          testID="put-right-found"
          style={styles.grow}
          onPress={() => keep('found')}
        />
        <Button
          label="Something else"
          testID="put-right-other"
          selected={other}
          onPress={() => setOther(!other)}
        />
        {found.part !== undefined && (
          <Button
            label="Nothing was wrong"
            testID="put-right-nothing"
            onPress={() => keep('nothing')}
          />
        )}
        <Button
          label={capital(PUT_RIGHT_WORDS['not-known'])}
          testID="put-right-not-known"
          onPress={() => keep('not-known')}
        />
      </View>
      {other && (
        <View style={styles.row}>
          {diagram.parts
            .filter(({ id }) => id !== found.part)
            .map(({ id, name: part }) => (
              <Button
                key={id}
                label={part}
                testID={`put-right-${id}`}
                onPress={() => {
                  log('put-right', { by: 'other', part: id, name: part });
                  setAsking(false);
                  setOther(false);
                }}
              />
            ))}
        </View>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
