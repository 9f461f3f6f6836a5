import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { REPAIRS, TOUCHES, type ActEvidence } from '../../../core/call/evidence';
import { ACT_WORDS, nameOf } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { Work } from './useWork';

/** Something that was done: a repair, which begins a new chapter for what it touches, or a mere touch. */
export function Acts({ work, done }: { work: Work; done: () => void }) {
  const [part, setPart] = useState<string>();
  const { diagram } = work.call;
  const likely = (work.findings?.suspects ?? []).flatMap(({ id }) => id ?? []);
  const others = diagram.parts.map(({ id }) => id).filter((id) => !likely.includes(id));
  const act = (kind: ActEvidence['act']): void => {
    if (part === undefined) return;
    work.act(part, kind);
    done();
  };
  const choices = (list: readonly ActEvidence['act'][]) => (
    <View style={styles.choices}>
      {list.map((each) => (
        <Button
          key={each}
          label={ACT_WORDS[each]}
          testID={`act-${each}`}
          onPress={() => act(each)}
        />
      ))}
    </View>
  );
  return (
    <Card testID="acts">
      <Type weight="heavy" role="heading" aria-level={2}>
        What was something done to?
      </Type>
      <View style={styles.choices}>
        {(part === undefined ? [...likely, ...others] : [part]).map((id) => (
          <Button
            key={id}
            label={nameOf(diagram, id)}
            testID={`act-part-${id}`}
            selected={id === part}
            // Once chosen it stands alone; pressed again the others come back.
            onPress={() => setPart(id === part ? undefined : id)}
          />
        ))}
      </View>
      {part !== undefined && (
        <>
          <Type weight="strong">Put right</Type>
          <Type size="small">
            What was read of it before counts no more; what the unit does now proves it or not.
          </Type>
          {choices(REPAIRS)}
          <Type weight="strong">Only touched</Type>
          <Type size="small">It may read good now for a while, and stays a suspect.</Type>
          {choices(TOUCHES)}
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  choices: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
