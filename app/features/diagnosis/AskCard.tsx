import { StyleSheet, View } from 'react-native';
import { sayAnswer, sayQuestion } from '../../../core/describe/test';
import { sayUse } from '../../../core/describe/use';
import type { AskTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { ShownTest } from '../../workers/diagnosis';
import type { Work } from './useWork';

/** One question to the customer, answered by a tap: asking is the cheapest test. */
export function AskCard({
  work,
  test,
  answers,
}: {
  work: Work;
  test: AskTest;
  answers: ShownTest['answers'];
}) {
  const { diagram } = work.call;
  const { steps, subject } = test;
  return (
    <>
      <Type size="small" tone="soft">
        Ask the customer · no tools
      </Type>
      <Type size="title" weight="heavy" testID="question">
        {sayQuestion(diagram, test)}
      </Type>
      <Type>{sayUse(diagram, steps)}</Type>
      <View style={styles.answers}>
        {answers.map((outcome) => (
          <Button
            key={outcome}
            label={sayAnswer(diagram, test, outcome)}
            testID={`answer-${outcome}`}
            onPress={() => work.tell('told', steps, subject, outcome)}
            style={styles.answer}
          />
        ))}
        <Button
          label="Nobody knows"
          testID="answer-unknown"
          onPress={() => work.refuse(test, 'nobody-knows')}
          style={styles.answer}
        />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  answers: { gap: space.s },
  answer: { minHeight: 60 },
});
