import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { nameOf } from '../../../core/describe/unit';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** What a technician who has made up the mind is taken to be right in: from memory. */
const BY_OWN_WORD = 0.85;

/** What is wrong, by the technician's own word, where no verdict was taken over. */
export function FoundCard({
  call,
  done,
  cancel,
}: {
  call: CallDetail;
  done: () => void;
  cancel?: () => void;
}) {
  const log = useLog(call.id);
  const { diagram } = call;
  const [part, setPart] = useState<string>();
  const [says, setSays] = useState('');
  const [asked, setAsked] = useState(false);
  return (
    <Card testID="say-found">
      <Type size="lead" weight="heavy" role="heading" aria-level={2}>
        What was found?
      </Type>
      <Type>
        The surest way is to take it over from a verdict: from complaint to part, or from the proof
        of a switch. By your own word it counts as that.
      </Type>
      <Button
        icon="search"
        label="From complaint to part"
        testID="found-work"
        onPress={() => router.navigate(`/call/${call.id}/work`)}
      />
      <Type weight="strong">Or say it yourself:</Type>
      <View style={styles.row}>
        {(part === undefined ? diagram.parts.map(({ id }) => id) : [part]).map((id) => (
          <Button
            key={id}
            label={nameOf(diagram, id)}
            testID={`found-part-${id}`}
            selected={id === part}
            onPress={() => setPart(id === part ? undefined : id)}
          />
        ))}
      </View>
      {part !== undefined && (
        <>
          <Field
            label="What is wrong with it"
            testID="found-says"
            value={says}
            onChangeText={setSays}
            maxLength={200}
            {...(asked &&
              !says.trim() && { fault: 'Say it in a few words: it stands on the report.' })}
          />
          <Button
            look="act"
            icon="check"
            label="That was found"
            testID="found-keep"
            onPress={() => {
              if (!says.trim()) return setAsked(true);
              log('found', {
                part,
                name: nameOf(diagram, part),
                says: says.trim(),
                chance: BY_OWN_WORD,
                by: 'person',
              });
              done();
            }}
          />
        </>
      )}
      {part === undefined && (
        <Button
          icon="check-circle"
          label="Nothing wrong in this unit"
          testID="found-nothing"
          onPress={() => {
            log('found', { says: 'nothing wrong in this unit', chance: BY_OWN_WORD, by: 'person' });
            done();
          }}
        />
      )}
      {cancel && <Button icon="x" label="Cancel" testID="found-cancel" onPress={cancel} />}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
