import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import type { Records } from '../../../core/call/record';
import { OPENED_BY_HAND } from '../../../core/call/ledgerLine';
import { DISTURBANCE_NAMES, nameLine } from '../../../core/describe/ledger';
import type { Diagram } from '../../../core/diagram/diagram';
import { terminalRef } from '../../../core/diagram/terminal';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

type Opened = Records['opened'];

/** Something that was moved, opened or taken off without a test that asked for it. */
export function OpenLine({ call, done }: { call: CallDetail; done: () => void }) {
  const log = useLog(call.id);
  const { diagram } = call;
  const [what, setWhat] = useState<Opened['what']>();
  const [part, setPart] = useState<string>();
  const [words, setWords] = useState('');
  const keep = (of: string): void => {
    if (!what || !of) return;
    log('opened', { what, of });
    done();
  };
  const choices = what === undefined ? [] : choicesFor(diagram, what, part);
  return (
    <Card testID="open-line">
      <Type weight="heavy" role="heading" aria-level={2}>
        What was done?
      </Type>
      <OneOf
        label="What was moved, opened or taken off"
        choices={OPENED_BY_HAND.filter((each) => each !== 'jumper').map((id) => ({
          id,
          label: DISTURBANCE_NAMES[id],
          testID: `opened-${id}`,
        }))}
        chosen={what}
        choose={(to) => {
          setWhat(to);
          setPart(undefined);
        }}
      />
      {what !== undefined && (
        <>
          <Type weight="strong">Which one?</Type>
          <View style={styles.row}>
            {choices.map((of) => (
              <Button
                key={of}
                label={
                  what === 'wire' && part === undefined
                    ? nameLine(diagram, { what: 'part', of })
                    : nameLine(diagram, { what, of })
                }
                testID={`opened-of-${of}`}
                onPress={() => (what === 'wire' && part === undefined ? setPart(of) : keep(of))}
              />
            ))}
          </View>
          <Field
            label="Or in words"
            testID="opened-words"
            value={words}
            onChangeText={setWords}
            maxLength={160}
          />
          {words.trim() !== '' && (
            <Button
              look="act"
              icon="check"
              label="Write it down"
              testID="opened-keep"
              onPress={() => keep(words.trim())}
            />
          )}
        </>
      )}
      <Button icon="x" label="Cancel" testID="opened-cancel" onPress={done} />
    </Card>
  );
}

/** What the diagram has of a kind; of a wire first the part, then its terminals. */
function choicesFor(diagram: Diagram, what: Opened['what'], part: string | undefined): string[] {
  const { parts, panels, supplies, actuators } = diagram;
  const ids = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);
  switch (what) {
    case 'wire': {
      const of = parts.find(({ id }) => id === part);
      if (of) return of.terminals.map(({ id }) => terminalRef(of.id, id));
      return ids(parts.filter(({ terminals }) => terminals.length > 0));
    }
    case 'plug':
      return ids(parts.filter(({ kind }) => kind === 'connection'));
    case 'panel':
      return ids(panels);
    case 'supply':
      return ids(supplies);
    case 'control':
    case 'valve':
      return ids(actuators.filter(({ kind }) => kind === 'hand'));
    case 'tube':
    case 'strap':
      return ids(parts.filter(({ kind }) => kind === 'hardware'));
    case 'part':
      return ids(parts);
    case 'jumper':
      return [];
  }
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
