import { StyleSheet, View } from 'react-native';
import { space, useTheme } from '../theme/theme';
import { Button } from './Button';
import { focusOn } from './focusOn';
import { Type } from './Type';
import { useFocus } from './useFocus';

interface Props {
  /** What is missing or wrong, in the order of the form, with the test id of its field. */
  faults: readonly { name: string; says: string; field: string }[];
  /** Counts the times that the form was handed in: each time the focus comes here. */
  handedIn: number;
}

/** Above a form that was not taken, always in sight: what is missing, each a way to its field. */
export function FormFaults({ faults, handedIn }: Props) {
  const palette = useTheme();
  const view = useFocus(faults.length ? handedIn : '', 'always');
  if (!faults.length) return null;
  const colours = { backgroundColor: palette.badGround, borderColor: palette.bad };
  return (
    <View ref={view} tabIndex={-1} role="alert" testID="form-faults" style={[styles.card, colours]}>
      <Type weight="heavy" tone="bad">
        Not kept yet. Missing or wrong:
      </Type>
      <View style={styles.row}>
        {faults.map(({ name, says, field }) => (
          <Button
            key={field}
            label={name}
            hint={`${name}: ${says}`}
            testID={`to-${field}`}
            onPress={() => focusOn(field)}
          />
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { padding: space.m, gap: space.s, borderBottomWidth: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
