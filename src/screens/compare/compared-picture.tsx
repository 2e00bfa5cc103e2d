// Two pictures in one window: one over the other, side by side, or divided by a line.
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { PictureGlass } from '../frame/picture-glass';
import type { Sizes } from '../frame/sizes';
import { useViewing } from '../frame/viewing';
import type { Compared } from './compared';
import { SplitLine } from './split-line';

interface Props {
  readonly compared: Compared;
  readonly view: Sizes['view'];
}

export function ComparedPicture({ compared, view }: Props) {
  const { way, shown, ready, failed } = compared;
  return (
    <View style={view} testID={ready ? 'compare-ready' : 'compare-opening'}>
      {failed ? (
        <View style={styles.middle} role="alert">
          <Words style={styles.warn}>{failed}</Words>
        </View>
      ) : (
        <Glasses {...{ compared, view }} />
      )}
      {way === 'flip' && !failed && (
        <View style={styles.which} testID="which-shown">
          <Words kind="label" role="status">
            {shown === 0 ? 'First' : 'Second'}
          </Words>
        </View>
      )}
    </View>
  );
}

function Glasses({ compared, view }: Props) {
  const { way, setWay, shown, flip, layers, split, setSplit } = compared;
  const { zoom } = useViewing();
  const name = (of: string) =>
    `${of} frame, ${zoom === 'fit' ? 'fitted' : `${Math.round(100 * zoom)} percent`}`;
  const onKey = (key: string) => {
    if (key !== ' ' && key !== 'Enter') return false;
    if (way === 'flip') flip();
    else setWay('flip');
    return true;
  };
  const glass = { ...compared.glass, onKey };
  if (way === 'side')
    return (
      <View style={[styles.ground, view.height > view.width ? styles.above : styles.beside]}>
        <PictureGlass {...glass} layers={[layers[0]]} name={name('First')} testID="glass-first" />
        <PictureGlass {...glass} layers={[layers[1]]} name={name('Second')} testID="glass-second" />
      </View>
    );
  return (
    <View style={styles.ground}>
      <PictureGlass
        {...glass}
        layers={way === 'split' ? layers : [layers[shown]]}
        split={split}
        onTap={way === 'flip' ? flip : undefined}
        onSwipe={way === 'flip' ? flip : undefined}
        name={way === 'split' ? name('Both: first and second') : name(shown === 0 ? 'First' : 'Second')}
        testID="glass"
      />
      {way === 'split' && <SplitLine at={split} width={view.width} onMove={setSplit} />}
    </View>
  );
}

const styles = StyleSheet.create({
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  ground: { flex: 1, backgroundColor: colour.ground, overflow: 'hidden' },
  beside: { flexDirection: 'row', gap: 2 },
  above: { gap: 2 },
  which: {
    position: 'absolute',
    left: space.one,
    top: space.one,
    backgroundColor: colour.chip,
    paddingHorizontal: 10,
    paddingVertical: 6,
    borderRadius: 8,
    pointerEvents: 'none',
  },
  warn: { color: colour.warn, textAlign: 'center' },
});
