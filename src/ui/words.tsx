// Text in the house's type: one size for labels, one for values, figures that do not jump.
import { StyleSheet, Text, type TextProps } from 'react-native';
import { colour, font, rem } from './theme';

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
  label: { fontSize: rem(12), lineHeight: rem(16) },
  body: { fontSize: rem(14), lineHeight: rem(20) },
  value: { fontSize: rem(20), lineHeight: rem(22), fontFamily: font.semibold },
  title: { fontSize: rem(20), lineHeight: rem(28), fontFamily: font.semibold },
  quiet: { color: colour.quiet },
});
