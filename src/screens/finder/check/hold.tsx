// Held, it shows the other exposure; let go, the present one is back.
import { Pressable, StyleSheet } from 'react-native';
import type { Comparison } from '../../../core/scopes/compare';
import { formatEv } from '../../../core/units/ladders';
import { useDesk } from '../../../live/desk';
import { hasIris } from '../../../live/camera';
import { colour, radius, space, touch } from '../../../ui/theme';
import { Words } from '../../../ui/words';
import { percentWords, settingsWords } from '../format';

export function HoldButton({ testID }: { testID: string }) {
  const other = useDesk((d) => d.other);
  const holding = useDesk((d) => d.holding);
  const iris = useDesk((d) => hasIris(d.optic));
  const hold = useDesk((d) => d.hold);
  if (!other) return null;
  const words = settingsWords({ ...other, compensationEv: 0 }, iris);
  return (
    <Pressable
      role="button"
      aria-label={`Hold: ${words}. Shows the other exposure while it is held (C)`}
      aria-pressed={holding}
      onPressIn={() => hold(true)}
      onPressOut={() => hold(false)}
      testID={testID}
      style={[styles.hold, holding && styles.held]}
    >
      <Words kind="label" style={holding && styles.heldWords}>
        {holding ? words : `Hold: ${words}`}
      </Words>
    </Pressable>
  );
}

/** The other against the present: raw outright, the picture by how much. */
export function comparisonWords({
  rawIdentical,
  rawDiffering,
  rawEv,
  pictureEv,
  pictureCodes,
}: Comparison): string {
  const raw = rawIdentical
    ? 'Raw identical.'
    : Math.abs(rawEv) < 0.01
      ? `Raw not identical: ${percentWords(rawDiffering)} of sites differ.`
      : `Raw not identical: ${formatEv(rawEv)} EV, ${percentWords(rawDiffering)} of sites differ.`;
  const codes = Math.abs(pictureCodes).toFixed(0);
  const brighter = pictureCodes >= 0 ? 'brighter' : 'darker';
  const picture =
    Math.abs(pictureEv) < 0.01 && Math.abs(pictureCodes) < 0.5
      ? 'Picture the same.'
      : `Picture ${formatEv(pictureEv)} EV, on average ${codes} codes ${brighter}.`;
  return `${raw} ${picture}`;
}

const styles = StyleSheet.create({
  hold: {
    minHeight: touch,
    justifyContent: 'center',
    paddingHorizontal: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.chip,
    borderWidth: 1,
    borderColor: colour.accent,
    userSelect: 'none',
  },
  held: { backgroundColor: colour.chosen },
  heldWords: { color: colour.accent },
});
