import { StyleSheet, View } from 'react-native';
import type { Reason } from '../../../core/call/refusal';
import { capital } from '../../../core/describe/use';
import { toolKey, toolsOf } from '../../../core/plan/tools';
import { sayRefusal } from '../../../core/describe/refusal';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { Work } from './useWork';

/** What a visit allows or not, as a whole. */
const ALLOWED: [Reason, yes: string, no: string][] = [
  ['no-helper', 'Somebody helps', 'Nobody to help'],
  ['no-clips', 'Clips at hand', 'No clips'],
  ['not-live', 'Live possible', 'Not live today'],
];

/** Minutes that may be left of it. */
const LEFT = [10, 20, 30, 60, 120];

/** What this visit allows, and the tests that were refused: each can be had back. */
export function VisitCard({ work }: { work: Work }) {
  const { diagram } = work.call;
  const { refusals, way } = work;
  const whole = ALLOWED.map(([why]) => why);
  const tools = toolsOf(diagram).map((tool) => ({
    tool,
    missing: refusals.filter(({ of }) => of.includes(toolKey(tool))),
  }));
  const missing = tools.flatMap((each) => each.missing);
  const single = refusals.filter((each) => !whole.includes(each.why) && !missing.includes(each));
  return (
    <Card testID="visit">
      <Type weight="heavy" role="heading" aria-level={2}>
        This visit
      </Type>
      <View style={styles.row}>
        <Button
          label={way.asks ? 'Somebody to ask' : 'Nobody to ask'}
          testID="visit-asks"
          selected={way.asks}
          onPress={() => work.choose({ asks: !way.asks })}
        />
        {ALLOWED.map(([why, yes, no]) => {
          const refused = refusals.filter((each) => each.why === why);
          return (
            <Button
              key={why}
              label={refused.length ? no : yes}
              testID={`visit-${why}`}
              selected={refused.length === 0}
              onPress={() => {
                if (refused.length) refused.forEach(({ id }) => work.takeBack(id));
                else work.refuseAll(why);
              }}
            />
          );
        })}
        <Button
          label={work.knownGood ? 'Known-good unit at hand' : 'No known-good unit'}
          testID="visit-known-good"
          selected={work.knownGood}
          onPress={() => work.setKnownGood(!work.knownGood)}
        />
      </View>
      {tools.length > 0 && (
        <>
          <Type size="small" tone="soft">
            In the bag
          </Type>
          <View style={styles.row} testID="visit-tools">
            {tools.map((each) => (
              <Button
                key={each.tool}
                label={each.missing.length ? `No ${each.tool}` : capital(each.tool)}
                testID={`visit-tool-${each.tool}`}
                selected={each.missing.length === 0}
                onPress={() => {
                  if (each.missing.length) each.missing.forEach(({ id }) => work.takeBack(id));
                  else work.refuseTool(each.tool);
                }}
              />
            ))}
          </View>
        </>
      )}
      <Type size="small" tone="soft">
        {work.minutesLeft === undefined
          ? 'Time that is left'
          : `Time that is left: ${Math.floor(work.minutesLeft)} min`}
      </Type>
      <View style={styles.row}>
        <Button
          label="No end"
          testID="left-none"
          selected={work.minutesLeft === undefined}
          onPress={() => work.setMinutesLeft(undefined)}
        />
        {LEFT.map((minutes) => (
          <Button
            key={minutes}
            label={`${minutes} min`}
            testID={`left-${minutes}`}
            onPress={() => work.setMinutesLeft(minutes)}
          />
        ))}
      </View>
      {single.map((refusal) => (
        <View key={refusal.id} style={styles.line} testID="refused-test">
          <Type style={styles.grow}>{sayRefusal(diagram, refusal)}</Type>
          <Button
            look="bare"
            label="Have it back"
            hint={`Have it back: ${sayRefusal(diagram, refusal)}`}
            testID="refused-back"
            onPress={() => work.takeBack(refusal.id)}
          />
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
});
