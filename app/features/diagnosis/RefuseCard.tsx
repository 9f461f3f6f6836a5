import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import type { Reason } from '../../../core/call/refusal';
import { sayPoint } from '../../../core/describe/point';
import { REASON_WORDS } from '../../../core/describe/refusal';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { ShownTest } from '../../workers/diagnosis';
import type { Work } from './useWork';

/** Why the test in hand is not done: the plan goes on without it, and without all that wants the same. */
export function RefuseCard({
  work,
  advice,
  refuse,
  cancel,
}: {
  work: Work;
  advice: ShownTest;
  refuse: (why: Reason, terminal?: TerminalRef) => void;
  cancel: () => void;
}) {
  const { test } = advice;
  const { diagram } = work.call;
  const [missing, setMissing] = useState(false);
  const ends = test.kind === 'ohm' || test.kind === 'volt' ? [test.from, test.to] : [];
  return (
    <Card testID="refuse" role="group" aria-label="Why not this test?">
      <Type weight="heavy" role="heading" aria-level={2}>
        {missing ? 'Which one is not there?' : 'Why not this one?'}
      </Type>
      <View style={styles.row}>
        {missing
          ? ends.map((ref) => (
              <Button
                key={ref}
                label={sayPoint(diagram, ref)}
                testID={`missing-${ref}`}
                onPress={() => refuse('no-terminal', ref)}
              />
            ))
          : work
              .reasonsFor(test)
              .map((why) => (
                <Button
                  key={why}
                  label={REASON_WORDS[why]}
                  testID={`refuse-${why}`}
                  onPress={() =>
                    why === 'no-terminal' && ends.length ? setMissing(true) : refuse(why)
                  }
                />
              ))}
      </View>
      <Button icon="x" label="Do it after all" testID="refuse-cancel" onPress={cancel} />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
