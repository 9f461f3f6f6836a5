import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayJumperTry } from '../../../core/describe/beforeUse';
import { nameSeen, sayableOutcomes } from '../../../core/describe/outcome';
import { capital, sayUse } from '../../../core/describe/use';
import type { TryTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { ProbePair } from '../../ui/ProbePair';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { BeforePower, ThenOff } from './BeforePower';
import { ProvedDead } from '../safety/MakeSafe';
import type { Work } from './useWork';

interface Props {
  work: Work;
  test: TryTest;
  takes: string;
}

/** The unit is used and watched: everything that must be so before, what to do, what it does, power off. */
export function TryCard({ work, test, takes }: Props) {
  const { diagram } = work.call;
  const { jumper } = test;
  const [ready, setReady] = useState(false);
  if (jumper && !work.jumper) return <ClipOn work={work} jumper={jumper} takes={takes} />;
  return (
    <>
      <Type size="small" tone="soft">
        {jumper ? 'With a jumper, attended' : 'By its own controls'} · {takes}
      </Type>
      {jumper && (
        <Type weight="strong" tone="warn" testID="jumper">
          A jumper is on: it could start by itself when power comes. Control off first, nobody near
          it.
        </Type>
      )}
      {!ready ? (
        <BeforePower
          work={work}
          steps={test.steps}
          then={`watch: ${nameSeen(diagram, test.subject)}`}
          jumper={jumper !== undefined}
          onReady={() => setReady(true)}
        />
      ) : (
        <Watch work={work} test={test} />
      )}
    </>
  );
}

function Watch({ work, test }: Omit<Props, 'takes'>) {
  const { diagram } = work.call;
  const { steps, subject, jumper } = test;
  return (
    <>
      {jumper ? (
        <View role="list" testID="jumper-script">
          {sayJumperTry(sayUse(diagram, steps), nameSeen(diagram, subject)).map((each, i) => (
            <Type key={each} role="listitem" weight="strong">
              {i + 1}. {each}.
            </Type>
          ))}
        </View>
      ) : (
        <>
          <Type size="title" weight="heavy">
            {capital(sayUse(diagram, steps))}
          </Type>
          <Type size="lead" weight="strong">
            Watch: {nameSeen(diagram, subject)}
          </Type>
        </>
      )}
      <View style={styles.row}>
        {sayableOutcomes(diagram, subject).map(([outcome, says]) => (
          <Button
            key={outcome}
            label={says}
            testID={`try-${outcome}`}
            onPress={() =>
              work.tell('seen', steps, subject, outcome, { ...(jumper && { jumper }) })
            }
          />
        ))}
      </View>
      <ThenOff />
    </>
  );
}

/** A jumper goes on with everything dead, and is written down before it is used. */
function ClipOn({
  work,
  jumper,
  takes,
}: {
  work: Work;
  jumper: NonNullable<TryTest['jumper']>;
  takes: string;
}) {
  return (
    <>
      <Type size="small" tone="soft">
        With a jumper, attended · {takes}
      </Type>
      <Type size="title" weight="heavy">
        Control off, power off, proved dead: clip a fused jumper here
      </Type>
      <ProbePair diagram={work.call.diagram} from={jumper[0]} to={jumper[1]} lifted={[]} named />
      <Type weight="strong" tone="warn">
        It could start by itself when power comes. The jumper comes off right after this one try; no
        safety is ever bridged.
      </Type>
      {!work.safe && <ProvedDead safe={work.safe} makeSafe={work.makeSafe} />}
      <Button
        look="act"
        icon="link"
        label="Jumper is on"
        testID="jumper-on"
        disabled={!work.safe}
        onPress={() => work.clip('jumper-on', jumper)}
      />
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
