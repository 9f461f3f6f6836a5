import { useEffect, useState } from 'react';
import { splitWait } from '../../../core/behaviour/step';
import type { VoltTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ProbePair } from '../../ui/ProbePair';
import { Type } from '../../ui/Type';
import type { GoodShown } from '../../workers/diagnosis';
import { Good } from './Good';
import { sayUse } from '../../../core/describe/use';
import { ProvedDead } from '../safety/MakeSafe';
import { Reach } from './TestCard';
import type { Work } from './useWork';

interface Props {
  work: Work;
  test: VoltTest;
  good: GoodShown | undefined;
  /** The unit is on and everybody stands clear: now it can be read. */
  ready: () => void;
}

/** A live reading, step by step: clip on dead, stand clear, power on, operate, read, power off. */
export function LiveScript({ work, test, good, ready }: Props) {
  const { diagram } = work.call;
  const [step, setStep] = useState<'clip' | 'power' | 'read'>('clip');
  const { base, waits } = splitWait(test.steps);
  return (
    <Card testID="live-script" ground="warnGround" edge="warn">
      <Type size="small" tone="soft">
        Live reading · dial V · clips, no hands
      </Type>
      {step === 'clip' && (
        <>
          <Type size="title" weight="heavy">
            1. Clip on while it is dead
          </Type>
          <ProbePair diagram={diagram} from={test.from} to={test.to} lifted={[]} named />
          <Reach diagram={diagram} from={test.from} to={test.to} />
          <Type>All wires back on. The meter where you can read it from where you will stand.</Type>
          <Button
            look="act"
            label="Clipped on, wires on"
            testID="live-clipped"
            disabled={!work.safe}
            onPress={() => setStep('power')}
          />
          {!work.safe && <ProvedDead safe={work.safe} makeSafe={work.makeSafe} />}
        </>
      )}
      {step === 'power' && (
        <>
          <Type size="title" weight="heavy">
            2. Stand clear, power on
          </Type>
          <Type>Hands, hair and helpers clear. Then: {sayUse(diagram, base)}.</Type>
          {waits > 0 && (
            <Type weight="strong" testID="live-window">
              It shows for some seconds only: press the key below with the last of these, and read{' '}
              {waits} s after.
            </Type>
          )}
          <Button
            look="act"
            icon="zap"
            label="It is on, everybody clear"
            testID="live-on"
            onPress={() => {
              work.standClear();
              setStep('read');
              ready();
            }}
          />
        </>
      )}
      {step === 'read' && (
        <>
          <Type size="title" weight="heavy">
            3. Read, do not touch
          </Type>
          {waits > 0 && <Countdown seconds={waits} />}
          <ProbePair diagram={diagram} from={test.from} to={test.to} lifted={[]} named />
          {!work.blind && good && <Good good={good} />}
          <Type weight="strong" tone="warn">
            After the reading: power off. It counts as live until it is proved dead again.
          </Type>
        </>
      )}
    </Card>
  );
}

/** Counts down to the seconds in which the reading holds. */
function Countdown({ seconds }: { seconds: number }) {
  const [left, setLeft] = useState(seconds);
  useEffect(() => {
    const from = Date.now();
    const timer = setInterval(
      () => setLeft(Math.max(0, Math.ceil(seconds - (Date.now() - from) / 1000))),
      200,
    );
    return () => clearInterval(timer);
  }, [seconds]);
  return (
    <Type size="title" weight="heavy" tone="warn" testID="countdown" role="timer">
      {left > 0 ? `Read in ${left} s` : 'Read now'}
    </Type>
  );
}
