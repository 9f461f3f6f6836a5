import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import type { CauseAsked } from '../../../core/call/causesAsked';
import { CAUSE_WORDS } from '../../../core/describe/logEntry';
import { nameOf } from '../../../core/describe/unit';
import { capital } from '../../../core/describe/use';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { InWords } from './InWords';

/** What made a protector open: each cause found, not there, or refused in words. A reset alone is no repair. */
export function CauseCard({
  call,
  asked: { part, causes, settled },
}: {
  call: CallDetail;
  asked: Pick<CauseAsked, 'part' | 'causes' | 'settled'>;
}) {
  const log = useLog(call.id);
  const [refusing, setRefusing] = useState<string>();
  const [other, setOther] = useState('');
  const name = nameOf(call.diagram, part);
  const tone = settled ? 'good' : 'warn';
  return (
    <Card ground={`${tone}Ground`} edge={tone} testID={`cause-${part}`}>
      <Type size="lead" weight="heavy" tone={tone} role="heading" aria-level={2}>
        {settled ? `Why ${name} failed: settled` : `What made ${name} fail?`}
      </Type>
      {!settled && (
        <Type>What made it fail makes the next one fail too. Look before it is trusted again.</Type>
      )}
      {causes.map(({ cause, outcome, words }, i) => (
        <View key={cause} style={styles.cause} testID={`cause-${part}-${i}`}>
          <Type weight="strong">
            {capital(cause)}
            {outcome ? `: ${CAUSE_WORDS[outcome]}` : ''}
            {words === undefined ? '' : `, ${words}`}
          </Type>
          {refusing === cause ? (
            <InWords
              label="Why does nobody look?"
              name="refuse-cause"
              keep={(said) => {
                log('cause', { part, cause, outcome: 'refused', words: said });
                setRefusing(undefined);
              }}
              cancel={() => setRefusing(undefined)}
            />
          ) : (
            <View style={styles.row}>
              <Button
                label="Found"
                hint={`${cause}: found`}
                testID={`cause-found-${i}`}
                selected={outcome === 'found'}
                style={styles.grow}
                onPress={() => log('cause', { part, cause, outcome: 'found' })}
              />
              <Button
                label="Not there"
                hint={`${cause}: not there`}
                testID={`cause-not-there-${i}`}
                selected={outcome === 'not-there'}
                style={styles.grow}
                onPress={() => log('cause', { part, cause, outcome: 'not-there' })}
              />
              <Button
                label="Not looked"
                hint={`${cause}: not looked for`}
                testID={`cause-refused-${i}`}
                selected={outcome === 'refused'}
                style={styles.grow}
                onPress={() => setRefusing(cause)}
              />
            </View>
          )}
        </View>
      ))}
      <Field
        label="Something else made it fail"
        testID="cause-other"
        value={other}
        onChangeText={setOther}
        maxLength={200}
      />
      {other.trim() !== '' && (
        <Button
          icon="check"
          label="That was found"
          testID="cause-other-found"
          onPress={() => {
            log('cause', { part, cause: other.trim(), outcome: 'found' });
            setOther('');
          }}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  cause: { gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1, flexBasis: 90, maxWidth: '100%', paddingHorizontal: space.s },
});
