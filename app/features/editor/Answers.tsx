import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { space } from '../../theme/theme';

/** What a meter may show, a button each. */
export function Answers<Shows extends string>({
  of,
  labels,
  enter,
}: {
  /** Before the test ids. */
  of: string;
  labels: Record<Shows, string>;
  enter: (shows: Shows) => void;
}) {
  return (
    <View style={styles.row}>
      {(Object.keys(labels) as Shows[]).map((shows) => (
        <Button
          key={shows}
          label={labels[shows]}
          testID={`${of}-${shows}`}
          onPress={() => enter(shows)}
          style={styles.grow}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
