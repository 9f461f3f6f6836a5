import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  /** What comes of it. */
  means: string;
  label: string;
  yes: string;
  testID: string;
  /** Why it could not be done. */
  failed?: string | undefined;
  sure: () => void;
}

/** What is asked twice before it is done. */
export function AskTwice({ means, label, yes, testID, failed, sure }: Props) {
  const [asked, setAsked] = useState(false);
  return (
    <Card testID={`${testID}-card`}>
      <Type size="small">{means}</Type>
      {failed !== undefined && (
        <Type weight="strong" tone="bad" role="alert" testID={`${testID}-failed`}>
          {failed}
        </Type>
      )}
      {asked ? (
        <View style={styles.row}>
          <Button icon="trash-2" label={yes} testID={`${testID}-yes`} onPress={sure} />
          <Button label="No" testID={`${testID}-no`} onPress={() => setAsked(false)} />
        </View>
      ) : (
        <Button icon="trash-2" label={label} testID={testID} onPress={() => setAsked(true)} />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
