import { StyleSheet, TextInput, View, type TextInputProps } from 'react-native';
import { face, radius, space, touch, type, useTheme } from '../theme/theme';
import { Type } from './Type';

interface Props extends Omit<TextInputProps, 'style'> {
  label: string;
  testID: string;
  /** What is wrong with it and what would be right. */
  fault?: string;
}

export function Field({ label, fault, testID, ...input }: Props) {
  const palette = useTheme();
  return (
    <View style={styles.field}>
      <Type size="small" weight="strong" tone="soft">
        {label}
      </Type>
      <TextInput
        {...input}
        testID={testID}
        accessibilityLabel={label}
        aria-invalid={fault !== undefined}
        {...(fault !== undefined && { 'aria-describedby': `${testID}-fault` })}
        placeholderTextColor={palette.soft}
        style={[
          styles.input,
          {
            color: palette.ink,
            backgroundColor: palette.card,
            borderColor: fault ? palette.bad : palette.line,
          },
          input.multiline && styles.tall,
        ]}
      />
      {fault && (
        <Type
          size="small"
          weight="strong"
          tone="bad"
          testID={`${testID}-fault`}
          id={`${testID}-fault`}
        >
          {fault}
        </Type>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  field: { gap: space.xs },
  input: {
    ...type.body,
    fontFamily: face.text,
    minHeight: touch.button,
    borderWidth: 1.5,
    borderRadius: radius.medium,
    paddingHorizontal: space.m,
    paddingVertical: space.s,
  },
  tall: { minHeight: 96, textAlignVertical: 'top' },
});
