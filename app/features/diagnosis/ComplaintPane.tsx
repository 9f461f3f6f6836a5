import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { alike, isNoticed, type Outcome } from '../../../core/behaviour/statement';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ComplaintFits } from '../../ui/ComplaintFits';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { useTold } from '../../workers/useTold';
import { space } from '../../theme/theme';
import { nameSeen, sayableOutcomes } from '../../../core/describe/outcome';
import { HOW_OFTEN, type HowOften } from '../../../core/call/evidence';
import { OFTEN_WORDS } from '../../../core/describe/unit';
import { momentsOf } from '../../../core/describe/use';
import type { Work } from './useWork';

/** As long as an entry takes it. */
const MOST_SINCE = 100;

/** What the unit does and does not do, put together from its own controls and loads. */
export function ComplaintPane({ work, done }: { work: Work; done: () => void }) {
  const { diagram } = work.call;
  const [source, setSource] = useState<'told' | 'seen'>('told');
  const [often, setOften] = useState<HowOften>();
  const [since, setSince] = useState('');
  const [steps, setSteps] = useState<string>();
  const [subject, setSubject] = useState<string>();
  // What trips is spoken of as much as what does not run: at which moment decides a lot.
  const subjects = [
    ...diagram.parts.filter((part) => part.kind === 'load' && isNoticed(part)),
    ...diagram.parts.filter((part) => part.kind === 'board' && part.logic),
    ...diagram.parts.filter(({ kind }) => kind === 'protector'),
    ...diagram.supplies.filter(({ amps }) => amps !== undefined),
  ];
  const told = useTold(work.key, diagram);
  const [typed, setTyped] = useState('');
  // Only what some fault makes a difference to; everything until the worker knows.
  const differs = (at: string, what?: string, outcome?: Outcome): boolean =>
    told === undefined ||
    told.sayable.some(
      (each) =>
        each.steps === at &&
        (what === undefined || each.subject === what) &&
        (outcome === undefined || each.outcomes.some((one) => alike(one, outcome))),
    );
  const moments = momentsOf(diagram).filter((moment) => differs(moment.steps));
  const more = { ...(often && { often }), ...(since.trim() && { since: since.trim() }) };
  const tell = (outcome: Outcome): void => {
    if (steps === undefined || subject === undefined) return;
    work.tell(source, steps, subject, outcome, more);
    setSubject(undefined);
    done();
  };
  return (
    <Card testID="complaint">
      <Type weight="heavy" role="heading" aria-level={2}>
        What does it do, and when?
      </Type>
      <View style={styles.choices}>
        <Button
          label="Customer told it"
          testID="source-told"
          selected={source === 'told'}
          onPress={() => setSource('told')}
        />
        <Button
          label="I saw it myself"
          testID="source-seen"
          selected={source === 'seen'}
          onPress={() => setSource('seen')}
        />
      </View>
      <Field
        label="In the customer’s words, or your own"
        testID="complaint-words"
        value={typed}
        onChangeText={setTyped}
      />
      <ComplaintFits
        search={told?.search}
        text={typed}
        press={({ steps: moment, subject: what, outcome }) => {
          work.tell(source, moment, what, outcome, more);
          setTyped('');
          done();
        }}
      />
      <Choice says="Or step by step: the moment">
        {moments.map((moment) => (
          <Button
            key={moment.steps}
            label={moment.says}
            testID={`moment-${moment.steps}`}
            selected={moment.steps === steps}
            onPress={() => setSteps(moment.steps)}
          />
        ))}
      </Choice>
      {steps !== undefined && (
        <Choice says="The part that is spoken of">
          {subjects
            .filter(({ id }) => differs(steps, id))
            .map((part) => (
              <Button
                key={part.id}
                label={nameSeen(diagram, part.id)}
                testID={`subject-${part.id}`}
                selected={part.id === subject}
                onPress={() => setSubject(part.id)}
              />
            ))}
        </Choice>
      )}
      {steps !== undefined && subject !== undefined && (
        <Choice says="How often, if that is known">
          {HOW_OFTEN.map((each) => (
            <Button
              key={each}
              label={OFTEN_WORDS[each]}
              testID={`often-${each}`}
              selected={each === often}
              onPress={() => setOften(each === often ? undefined : each)}
            />
          ))}
        </Choice>
      )}
      {steps !== undefined && subject !== undefined && (
        <Field
          label="Since when, if that is known: since the storm"
          testID="since"
          value={since}
          onChangeText={setSince}
          maxLength={MOST_SINCE}
        />
      )}
      {steps !== undefined && subject !== undefined && (
        <Choice says="What it does then">
          {sayableOutcomes(diagram, subject)
            .filter(([outcome]) => differs(steps, subject, outcome))
            .map(([outcome, says]) => (
              <Button
                key={outcome}
                label={says}
                testID={`outcome-${outcome}`}
                onPress={() => tell(outcome)}
              />
            ))}
        </Choice>
      )}
    </Card>
  );
}

function Choice({ says, children }: { says: string; children: React.ReactNode }) {
  return (
    <>
      <Type size="small" tone="soft">
        {says}
      </Type>
      <View style={styles.choices}>{children}</View>
    </>
  );
}

const styles = StyleSheet.create({
  choices: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
