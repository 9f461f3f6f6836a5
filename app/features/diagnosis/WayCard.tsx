import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { POLICIES, type Policy } from '../../../core/plan/policies';
import { HARM_MINUTES, type WayOfWorking } from '../../../core/plan/wayOfWorking';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { askWorker } from '../../workers/diagnosis';
import type { Work } from './useWork';

const PLACES: [WayOfWorking['place'], string][] = [
  ['any', 'Anywhere'],
  ['part', 'At the part'],
  ['plug', 'From the plug'],
];

/** How the technician wants to work: the school, with what each would take here, and what is allowed. */
export function WayCard({ work }: { work: Work }) {
  const { way, evidence, key, call } = work;
  const [minutes, setMinutes] = useState<Partial<Record<Policy, number>>>({});
  const { diagram } = call;
  useEffect(() => {
    let wanted = true;
    askWorker({ ask: 'schools', key, diagram, entries: evidence, way }).then(
      (answer) => {
        if (wanted && answer.kind === 'schools')
          setMinutes(Object.fromEntries(answer.schools.map((each) => [each.school, each.minutes])));
      },
      () => wanted && setMinutes({}),
    );
    return () => {
      wanted = false;
    };
  }, [key, diagram, evidence, way]);
  return (
    <Card testID="way">
      <Type weight="heavy" role="heading" aria-level={2}>
        How to work
      </Type>
      {(Object.keys(POLICIES) as Policy[]).map((school) => {
        const takes = minutes[school];
        return (
          <Button
            key={school}
            label={`${POLICIES[school].name}${takes === undefined ? '' : ` · ${takes.toFixed(0)} min`}`}
            hint={`${POLICIES[school].name}: ${POLICIES[school].why}`}
            testID={`school-${school}`}
            selected={way.school === school}
            onPress={() => work.choose({ school })}
          />
        );
      })}
      <Type size="small" tone="soft">
        {POLICIES[way.school].why}
      </Type>
      <View style={styles.row}>
        <Button
          label="Cold only"
          testID="way-cold"
          selected={!way.live}
          onPress={() => work.choose({ live: false })}
        />
        <Button
          label="Live allowed"
          testID="way-live"
          selected={way.live}
          onPress={() => work.choose({ live: true })}
        />
      </View>
      <Type size="small" tone="soft">
        Power on a suspected short counts as
      </Type>
      <View style={styles.row}>
        {HARM_MINUTES.map((harm) => (
          <Button
            key={harm}
            label={harm < 60 ? `${harm} min` : `${harm / 60} h`}
            hint="What the shop takes it to cost, in time: the more, the dearer live work is, and the longer cold readings come first"
            testID={`harm-${harm}`}
            selected={way.harm === harm}
            onPress={() => work.choose({ harm })}
          />
        ))}
      </View>
      <View style={styles.row}>
        {PLACES.map(([place, says]) => (
          <Button
            key={place}
            label={says}
            testID={`place-${place}`}
            selected={way.place === place}
            onPress={() => work.choose({ place })}
          />
        ))}
      </View>
      <Button
        label={
          work.blind ? 'Expected value: after the reading' : 'Expected value: before the reading'
        }
        hint="Blind entry: people report what they expect, so what a good unit shows can come after"
        testID="blind"
        selected={work.blind}
        onPress={() => work.setBlind(!work.blind)}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
