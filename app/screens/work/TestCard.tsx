import { StyleSheet, View } from 'react-native';
import type { OhmAnswer } from '../../../core/circuit/ohmReading';
import { sayDisplay } from '../../../core/meter/display';
import { ORDINARY_METER, showOhms } from '../../../core/meter/meter';
import { saySetup } from '../../../core/plan/sayTest';
import { Button } from '../../components/Button';
import { Card } from '../../components/Card';
import { ContactGlyph } from '../../components/ContactGlyph';
import { ProbePair } from '../../components/ProbePair';
import { Type } from '../../components/Type';
import { radius, space, useTheme } from '../../theme/theme';
import type { Answer } from '../../workers/diagnosis';
import { capital, nameOf, outcomesOf, sayLast } from './say';
import type { Work } from './useWork';

type Test = Answer['tests'][number];

/** The test to do next: where the probes go and in which state, or what to look for or to try. */
export function TestCard({ work, advice }: { work: Work; advice: Test }) {
  const { diagram } = work.call;
  const { test } = advice;
  return (
    <Card testID="next-test">
      <Type size="small" tone="soft">
        {test.kind === 'ohm' ? 'Unplugged, dead and proved · dial Ω · ' : ''}about{' '}
        {Math.max(1, Math.round(advice.minutes))} min
      </Type>
      {test.kind === 'look' && (
        <>
          <Type size="title" weight="heavy">
            {diagram.looks?.find((each) => each.id === test.look)?.says}
          </Type>
          <View style={styles.row}>
            <Button
              look="act"
              label="Found"
              testID="look-found"
              style={styles.grow}
              onPress={() => work.look(test.look, true)}
            />
            <Button
              label="Looked, nothing"
              testID="look-nothing"
              style={styles.grow}
              onPress={() => work.look(test.look, false)}
            />
          </View>
        </>
      )}
      {test.kind === 'try' && (
        <>
          <Type size="title" weight="heavy">
            Use it: {sayLast(diagram, test.steps)}
          </Type>
          <Type>Watch: {nameOf(diagram, test.subject)}. Closed up, plugged in, hands clear.</Type>
          <View style={styles.row}>
            {outcomesOf(diagram, test.subject).map(([outcome, says]) => (
              <Button
                key={outcome}
                label={says}
                testID={`try-${outcome}`}
                onPress={() => work.tell('seen', test.steps, test.subject, outcome)}
              />
            ))}
          </View>
        </>
      )}
      {test.kind === 'ohm' && (
        <>
          <Type size="title" weight="heavy" testID="next-setup">
            {capital(saySetup(diagram, test.setup).join(', ') || 'As it stands, wires on')}
          </Type>
          <ProbePair
            diagram={diagram}
            from={test.from}
            to={test.to}
            lifted={test.setup.lifted}
            named
          />
          {advice.good && <Good good={advice.good} />}
        </>
      )}
    </Card>
  );
}

/** Up to this many ohm nothing but metal is between the probes. */
const METAL_UP_TO = 2;
const NO_BREAK = '\u00a0';

function Good({ good }: { good: OhmAnswer }) {
  const palette = useTheme();
  const shows = (ohms: number): string => sayDisplay(showOhms(ORDINARY_METER, ohms));
  const text =
    good.kind === 'open'
      ? 'OL'
      : good.kind === 'ohms'
        ? `${shows(good.low)} to ${shows(good.high)}`
        : 'cannot be said';
  // A drawn contact would say "closed" of a reading that runs through a load.
  const contact =
    good.kind === 'open'
      ? 'open'
      : good.kind === 'ohms' && good.high < METAL_UP_TO
        ? 'closed'
        : null;
  return (
    <View style={[styles.good, { backgroundColor: palette.goodGround }]} testID="next-good">
      {contact && <ContactGlyph state={contact} size={44} tone="good" />}
      <Type weight="strong" tone="good" style={styles.grow}>
        A good unit shows {text.replace(/ (?=\S?Ω)/g, NO_BREAK)}
      </Type>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
  good: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    borderRadius: radius.medium,
    padding: space.s,
  },
});
