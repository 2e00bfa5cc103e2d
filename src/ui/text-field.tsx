// A line of text to type, with its name above and what is wrong with it below.
import { StyleSheet, TextInput, View } from 'react-native';
import { colour, font, radius, rem, space, touch } from './theme';
import { Words } from './words';

export function TextField({
  label,
  value,
  onChange,
  onSubmit,
  error,
  placeholder,
  numeric,
  testID,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onSubmit?: () => void;
  error?: string | null;
  placeholder?: string;
  numeric?: boolean;
  testID: string;
}) {
  return (
    <View style={styles.field}>
      <Words kind="label" quiet>
        {label}
      </Words>
      <TextInput
        value={value}
        onChangeText={onChange}
        onSubmitEditing={onSubmit}
        placeholder={placeholder}
        placeholderTextColor={colour.quiet}
        inputMode={numeric ? 'decimal' : 'text'}
        aria-label={label}
        aria-invalid={error ? true : undefined}
        testID={testID}
        style={[styles.input, error ? styles.bad : null]}
      />
      {error ? (
        <Words kind="label" style={styles.error} role="alert" testID={`${testID}-error`}>
          {error}
        </Words>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  field: { flex: 1, gap: 2, minWidth: 120 },
  input: {
    minHeight: touch,
    borderRadius: radius,
    borderWidth: 1,
    borderColor: colour.line,
    backgroundColor: colour.page,
    color: colour.text,
    fontFamily: font.medium,
    fontSize: rem(16),
    paddingHorizontal: space.one + space.half,
  },
  bad: { borderColor: colour.warn },
  error: { color: colour.warn },
});
