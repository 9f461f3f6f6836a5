import { StyleSheet, View } from 'react-native';
import { sayDifferences } from '../../../core/describe/diagramDifference';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  mine: Diagram;
  theirs: Diagram;
  version: number;
  /** Takes the other one over as a change of this draft, to be stored on top. */
  take: (theirs: Diagram) => void;
  /** Leaves mine as the newest. */
  leave: () => void;
}

/** Another phone has stored a version since this draft was begun: both are kept, and one is gone on with. */
export function MeanwhileCard({ mine, theirs, version, take, leave }: Props) {
  const said = sayDifferences(theirs, mine);
  return (
    <Card ground="warnGround" edge="warn" testID="meanwhile" role="alert">
      <Type weight="heavy" role="heading" aria-level={2}>
        {`Version ${version} came from another phone meanwhile`}
      </Type>
      <Type>Both are kept as versions; yours is the newest. What yours has otherwise:</Type>
      {said.slice(0, MOST_TOLD).map((each) => (
        <Type key={each}>{each}</Type>
      ))}
      {said.length > MOST_TOLD && <Type>{`And ${said.length - MOST_TOLD} more.`}</Type>}
      {said.length === 0 && <Type>Nothing: both say the same.</Type>}
      <View style={styles.row}>
        <Button label="Mine it is" icon="check" testID="keep-mine" onPress={leave} />
        <Button
          label={`Go on with version ${version}`}
          icon="repeat"
          testID="take-theirs"
          onPress={() => take(theirs)}
        />
      </View>
    </Card>
  );
}

const MOST_TOLD = 12;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
