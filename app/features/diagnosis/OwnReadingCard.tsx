import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayPoint } from '../../../core/describe/point';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { ExpectedOfOwn } from './ExpectedOfOwn';
import { OwnMeasure } from './OwnMeasure';
import { OwnPoint } from './OwnPoint';
import { OwnSeconds } from './OwnSeconds';
import { OwnSetup } from './OwnSetup';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

interface Props {
  work: Work;
  own: OwnReading;
  done: () => void;
}

/** "I read something else": two points and how everything stood, or a quantity or a current. */
export function OwnReadingCard({ work, own, done }: Props) {
  const [kind, setKind] = useState<Kind>('between');
  return (
    <Card testID="own-reading">
      <Type weight="heavy" role="heading" aria-level={2}>
        What did you read?
      </Type>
      <OneOf label="What did you read?" choices={KINDS} chosen={kind} choose={setKind} />
      {kind === 'between' && <Between work={work} own={own} />}
      {kind === 'other' && <OwnMeasure work={work} done={done} />}
      {kind === 'seconds' && <OwnSeconds work={work} done={done} />}
      <Button
        icon="x"
        label="Cancel"
        testID="own-cancel"
        onPress={() => {
          own.forget();
          done();
        }}
      />
    </Card>
  );
}

const KINDS = [
  { id: 'between', label: 'Between two points', testID: 'own-between' },
  { id: 'other', label: 'Heat, pressure, amperes', testID: 'own-other' },
  { id: 'seconds', label: 'Seconds on and off', testID: 'own-clock' },
] as const;
type Kind = (typeof KINDS)[number]['id'];

function Between({ work, own }: Omit<Props, 'done'>) {
  const { diagram } = work.call;
  const [from, to] = own.points;
  return (
    <>
      <View style={styles.row}>
        <Button
          label={from === undefined ? 'Red: where?' : `Red: ${sayPoint(diagram, from)}`}
          testID="own-red"
          selected={from === undefined}
          onPress={() => own.say({ points: to === undefined ? [] : [to] })}
        />
        <Button
          label={to === undefined ? 'Black: where?' : `Black: ${sayPoint(diagram, to)}`}
          testID="own-black"
          selected={from !== undefined && to === undefined}
          onPress={() => own.say({ points: from === undefined ? [] : [from] })}
        />
      </View>
      {to === undefined ? (
        <OwnPoint work={work} own={own} />
      ) : (
        <>
          <ExpectedOfOwn work={work} own={own} />
          <OwnSetup work={work} own={own} />
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
