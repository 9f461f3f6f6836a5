import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ActEvidence } from '../../../core/call/evidence';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { ACT_WORDS } from '../../../core/describe/unit';
import type { Work } from './useWork';

/** Something that was done to a part and may have changed it: what is read after does not clear it. */
export function Acts({ work, done }: { work: Work; done: () => void }) {
  const [part, setPart] = useState<string>();
  const { parts } = work.call.diagram;
  const likely = (work.findings?.suspects ?? []).flatMap(({ id }) => id ?? []);
  const touched = parts
    .filter((each) => each.kind !== 'hardware')
    .sort((a, b) => rank(likely, a.id) - rank(likely, b.id));
  return (
    <Card testID="acts">
      <Type weight="heavy" role="heading" aria-level={2}>
        What was done to it?
      </Type>
      <Type size="small">
        A part that was tapped, pressed back, cleaned or moved may read good now. It stays a
        suspect.
      </Type>
      <View style={styles.choices}>
        {touched.map((each) => (
          <Button
            key={each.id}
            label={each.name}
            testID={`act-part-${each.id}`}
            selected={each.id === part}
            onPress={() => setPart(each.id)}
          />
        ))}
      </View>
      {part !== undefined && (
        <View style={styles.choices}>
          {Object.entries(ACT_WORDS).map(([act, says]) => (
            <Button
              key={act}
              label={says}
              testID={`act-${act}`}
              onPress={() => {
                work.act(part, act as ActEvidence['act']);
                done();
              }}
            />
          ))}
        </View>
      )}
    </Card>
  );
}

const rank = (likely: readonly string[], id: string): number => {
  const at = likely.indexOf(id);
  return at < 0 ? likely.length : at;
};

const styles = StyleSheet.create({
  choices: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
