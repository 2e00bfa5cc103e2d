// Lenses, the way to all checks, and the one action that fits exposure to the highlights: at the picture's foot, in a row, or in a column beside it.
import { StyleSheet, View } from 'react-native';
import { isUnknown } from '../../core/units/known';
import { useDesk } from '../../live/desk';
import { useBody } from '../../live/in-use';
import { useRawWords } from '../../live/report';
import { Button } from '../../ui/button';
import { colour, radius, touch } from '../../ui/theme';
import { fitLabel } from './format';
import { GAP } from './places';

/** What the fit, the frame and the checks take in a row, and what they take in a column with their gaps. */
const ROW_TAKES = 214;
const COLUMN_TAKES = 3 * touch + 60;

/** Nothing of it is on a picture that was cleared. */
export function Tools({
  of,
  width,
  height,
  onCheck,
  onFrame,
}: {
  of: 'row' | 'column' | 'foot';
  width: number;
  height: number;
  onCheck: () => void;
  onFrame: () => void;
}) {
  const cleared = useDesk((d) => d.cleared);
  const { optics } = useBody();
  if (cleared && of === 'foot') return null;
  const column = of === 'column';
  const lenses = (optics.length > 1 ? optics.length : 0) * touch;
  const lines = !column && height >= 2 * touch;
  // Without room for all, the fit is left to the checks.
  const roomy = column ? height >= lenses + COLUMN_TAKES : lines || width >= lenses + ROW_TAKES;
  return (
    <View style={[column ? styles.column : styles.row, of === 'foot' && styles.foot, lines && styles.lines]}>
      <Lenses column={column} chips={of === 'foot'} />
      <View style={column ? styles.checks : styles.lyingChecks}>
        {roomy && <FitButton chip={of === 'foot'} />}
        <Button
          label="Frame"
          name="Frame: digital zoom, shape, grid, level, depth (,)"
          onPress={onFrame}
          testID="frame-panel"
          style={[styles.button, of === 'foot' && styles.chip]}
        />
        <Button
          label="Check"
          name="Check: marks, zebra, histograms, fit, compare, view (K)"
          onPress={onCheck}
          testID="check"
          style={[styles.button, of === 'foot' && styles.chip]}
        />
      </View>
    </View>
  );
}

/** From the widest lens to the longest; in a column up is farther. */
function Lenses({ column, chips }: { column: boolean; chips: boolean }) {
  const lens = useDesk((d) => d.optic);
  const setOptic = useDesk((d) => d.setOptic);
  const { optics } = useBody();
  if (optics.length < 2) return <View />;
  return (
    <View
      role="group"
      aria-label="Lens"
      style={[styles.lenses, column && styles.upright, chips && styles.chip]}
    >
      {(column ? [...optics].reverse() : optics).map(({ id, equivalentMm, name }) => (
        <Button
          key={id}
          label={isUnknown(equivalentMm) ? name : String(equivalentMm)}
          name={isUnknown(equivalentMm) ? name : `${equivalentMm} mm lens, ${name}`}
          on={id === lens}
          onPress={() => setOptic(id)}
          testID={`lens-${id}`}
          style={[styles.lens, id !== lens && styles.clear]}
        />
      ))}
    </View>
  );
}

function FitButton({ chip }: { chip: boolean }) {
  const fit = useRawWords((r) => r.fit);
  const { takeFit } = useDesk.getState();
  if (!fit || fit.thirds === 0) return null;
  return (
    <Button
      label={fitLabel(fit)}
      name={`${fitLabel(fit)} EV: exposes to the highlights (U)`}
      onPress={() => takeFit(fit)}
      testID="fit-now"
      style={[styles.button, chip && styles.chip]}
    />
  );
}

const styles = StyleSheet.create({
  row: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: GAP,
    pointerEvents: 'box-none',
  },
  foot: { alignItems: 'flex-end' },
  lines: { flexDirection: 'column', alignItems: 'flex-start' },
  column: { flex: 1, alignItems: 'flex-start', justifyContent: 'space-between', pointerEvents: 'box-none' },
  lyingChecks: { flexDirection: 'row', gap: GAP, pointerEvents: 'box-none' },
  checks: { gap: GAP, pointerEvents: 'box-none' },
  lenses: { flexDirection: 'row', borderRadius: radius, overflow: 'hidden', backgroundColor: colour.panel },
  upright: { flexDirection: 'column' },
  lens: { paddingHorizontal: 4, borderRadius: 0 },
  clear: { backgroundColor: 'transparent' },
  button: { paddingHorizontal: 6 },
  chip: { backgroundColor: colour.chip },
});
