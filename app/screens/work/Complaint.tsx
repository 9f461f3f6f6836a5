import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Outcome } from '../../../core/behaviour/statement';
import { Button } from '../../components/Button';
import { Card } from '../../components/Card';
import { Type } from '../../components/Type';
import { space } from '../../theme/theme';
import { momentsOf, OUTCOMES } from './say';
import type { Work } from './useWork';

/** What the unit does and does not do, put together from its own controls and loads. */
export function Complaint({ work, done }: { work: Work; done: () => void }) {
  const { diagram } = work.call;
  const [steps, setSteps] = useState<string>();
  const [subject, setSubject] = useState<string>();
  const loads = diagram.parts.filter((part) => part.kind === 'load');
  const tell = (outcome: Outcome): void => {
    if (steps === undefined || subject === undefined) return;
    work.tell('seen', steps, subject, outcome);
    setSubject(undefined);
    done();
  };
  return (
    <Card testID="complaint">
      <Type weight="heavy" role="heading" aria-level={2}>
        What does it do, and when?
      </Type>
      <Type size="small" tone="soft">
        The moment
      </Type>
      <View style={styles.choices}>
        {momentsOf(diagram).map((moment) => (
          <Button
            key={moment.steps}
            label={moment.says}
            testID={`moment-${moment.steps}`}
            selected={moment.steps === steps}
            onPress={() => setSteps(moment.steps)}
          />
        ))}
      </View>
      {steps !== undefined && (
        <Type size="small" tone="soft">
          The part that is spoken of
        </Type>
      )}
      {steps !== undefined && (
        <View style={styles.choices}>
          {loads.map((part) => (
            <Button
              key={part.id}
              label={part.name}
              testID={`subject-${part.id}`}
              selected={part.id === subject}
              onPress={() => setSubject(part.id)}
            />
          ))}
        </View>
      )}
      {steps !== undefined && subject !== undefined && (
        <Type size="small" tone="soft">
          What it does then
        </Type>
      )}
      {steps !== undefined && subject !== undefined && (
        <View style={styles.choices}>
          {OUTCOMES.map(([outcome, says]) => (
            <Button
              key={outcome}
              label={says}
              testID={`outcome-${outcome}`}
              onPress={() => tell(outcome)}
            />
          ))}
        </View>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  choices: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
