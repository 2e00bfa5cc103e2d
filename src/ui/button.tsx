// A button with words on it. Pressed state is told to assistive technology where the button is a switch.
import { Pressable, StyleSheet, type StyleProp, type ViewStyle } from 'react-native';
import { colour, radius, space, touch } from './theme';
import { Words } from './words';

export interface ButtonProps {
  readonly label: string;
  readonly onPress: () => void;
  /** Set for a switch: on or off. */
  readonly on?: boolean;
  /** Marks the value that stands now among several, also when it was not chosen by hand. */
  readonly current?: boolean;
  readonly kind?: 'plain' | 'primary' | 'quiet';
  readonly disabled?: boolean;
  /** A longer name for assistive technology; must contain the label. */
  readonly name?: string;
  readonly style?: StyleProp<ViewStyle>;
  readonly testID?: string;
}

export function Button({
  label,
  onPress,
  on,
  current,
  kind = 'plain',
  disabled,
  name,
  style,
  testID,
}: ButtonProps) {
  return (
    <Pressable
      role={on === undefined ? 'button' : 'switch'}
      aria-checked={on}
      aria-label={name ?? label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      {...(current ? { dataSet: { current: '1' } } : null)}
      style={({ pressed }) => [
        styles.button,
        kind === 'primary' && styles.primary,
        kind === 'quiet' && styles.quietButton,
        on && styles.on,
        current && styles.current,
        (pressed || disabled) && styles.dim,
        style,
      ]}
    >
      <Words
        kind="body"
        numberOfLines={1}
        style={[kind === 'primary' && styles.onPrimary, on && styles.onText]}
      >
        {label}
      </Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: touch,
    minWidth: touch,
    paddingHorizontal: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
    alignItems: 'center',
    justifyContent: 'center',
  },
  primary: { backgroundColor: colour.primary },
  onPrimary: { color: colour.onPrimary },
  quietButton: { backgroundColor: 'transparent' },
  on: { backgroundColor: colour.chosen, boxShadow: `inset 0 0 0 1.5px ${colour.ring}` },
  onText: { color: colour.accent },
  current: { borderWidth: 1, borderColor: colour.quiet },
  dim: { opacity: 0.6 },
});
