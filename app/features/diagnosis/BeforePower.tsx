import { View } from 'react-native';
import { sayBeforeUse } from '../../../core/describe/beforeUse';
import { sayUse } from '../../../core/describe/use';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import type { Work } from './useWork';

interface Props {
  work: Work;
  steps: string;
  /** What is watched or read then. */
  then: string;
  jumper?: boolean;
  onReady: () => void;
}

/** Everything that must be so before power comes on, and what is done then. */
export function BeforePower({ work, steps, then, jumper = false, onReady }: Props) {
  const { diagram } = work.call;
  return (
    <>
      <Type size="title" weight="heavy">
        Before the power
      </Type>
      <View testID="before-use">
        {sayBeforeUse(diagram, work.wiresOff, jumper).map((each) => (
          <Type key={each}>· {each}</Type>
        ))}
      </View>
      <Type weight="strong">
        Then: {sayUse(diagram, steps)}; {then}.
      </Type>
      <Button
        look="act"
        icon="check"
        label="All of it is so"
        testID="try-ready"
        onPress={onReady}
      />
    </>
  );
}

/** What ends every use: nothing is left powered. */
export const ThenOff = () => (
  <Type weight="strong" tone="warn">
    Then: control off, power off. It counts as live until it is proved dead again.
  </Type>
);
