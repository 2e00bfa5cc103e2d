// Text in the house's type: one size for labels, one for values, figures that do not jump.
import { StyleSheet, Text, type TextProps } from 'react-native';
import { colour, font } from './theme';

type Kind = 'label' | 'body' | 'value' | 'title';

export function Words({
  kind = 'body',
  quiet,
  style,
  ...rest
}: TextProps & { kind?: Kind; quiet?: boolean }) {
  return <Text {...rest} style={[styles.base, styles[kind], quiet && styles.quiet, style]} />;
}

const styles = StyleSheet.create({
  base: { color: colour.text, fontFamily: font.medium, fontVariant: ['tabular-nums'] },
  label: { fontSize: 12, lineHeight: 16 },
  body: { fontSize: 14, lineHeight: 20 },
  value: { fontSize: 20, lineHeight: 24, fontFamily: font.semibold },
  title: { fontSize: 20, lineHeight: 28, fontFamily: font.semibold },
  quiet: { color: colour.quiet },
});
