// The histograms: which stand over the picture, how large and how solid; how the stopline is drawn; and why raw and picture say
// different things now.
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { whyTheyDiffer } from '../../../core/advice/difference';
import { CLEAN_DBS } from '../../../core/scopes/limits';
import { HISTOGRAM_SIZES, HISTOGRAMS, stepThrough } from '../../../live/check-settings';
import { HEIGHTS } from '../../../ui/scopes/shape';
import { useExposureWords, useRawWords } from '../../../live/report';
import { useDesk } from '../../../live/desk';
import { useBody } from '../../../live/in-use';
import { Segmented } from '../../../ui/segmented';
import { Stepper } from '../../../ui/stepper';
import { space } from '../../../ui/theme';
import { Words } from '../../../ui/words';

const WHICH = { off: 'None', raw: 'Raw', picture: 'Picture', both: 'Both' } as const;
const SIZES = { small: 'Small', medium: 'Medium', large: 'Large' } as const;
const HEIGHT_NAMES = { linear: 'Linear', root: 'Square root', log: 'Logarithm' } as const;
const OPACITY_STEP = 0.1;

export function HistogramPanel() {
  const check = useDesk((d) => d.check);
  const showsRaw = useBody().evidence === 'raw';
  const { setCheck } = useDesk.getState();
  return (
    <>
      <Words kind="label" quiet>
        Histogram over the picture:
      </Words>
      <Segmented
        name="Histogram over the picture"
        choices={HISTOGRAMS.filter((id) => showsRaw || id === 'off' || id === 'picture').map((id) => ({
          id,
          label: WHICH[id],
        }))}
        chosen={check.histogram}
        onChoose={(histogram) => setCheck({ histogram })}
        testID="histogram"
        style={styles.row}
      />
      <View style={styles.grid}>
        <Segmented
          name="Size"
          choices={HISTOGRAM_SIZES.map((id) => ({ id, label: SIZES[id] }))}
          chosen={check.histogramSize}
          onChoose={(histogramSize) => setCheck({ histogramSize })}
          testID="histogram-size"
          style={styles.wide}
        />
        <Stepper
          name="Opacity"
          value={`${Math.round(100 * check.histogramOpacity)} %`}
          onStep={(by) => {
            const next = Math.round(10 * (check.histogramOpacity + by * OPACITY_STEP)) / 10;
            setCheck({ histogramOpacity: Math.min(1, Math.max(0.3, next)) });
          }}
          testID="histogram-opacity"
        />
      </View>
      <Why />
      <Words kind="label" quiet>
        Heights in all scopes:
      </Words>
      <Segmented
        name="Heights"
        choices={HEIGHTS.map((id) => ({ id, label: HEIGHT_NAMES[id] }))}
        chosen={check.heights}
        onChoose={(heights) => setCheck({ heights })}
        testID="heights"
        style={styles.row}
      />
      {showsRaw && (
        <View style={styles.grid}>
          <Stepper
            name="Clean line, signal over noise"
            value={`${check.cleanDb} dB`}
            onStep={(by) => setCheck({ cleanDb: stepThrough(CLEAN_DBS, check.cleanDb, by) })}
            testID="clean"
          />
        </View>
      )}
      {showsRaw && (
        <Words kind="label" quiet>
          The bars at the top of the stopline are the picture’s tones, from 0 to 255, in red, green and blue.
        </Words>
      )}
    </>
  );
}

/** Why raw and picture differ in this frame. */
export function Why() {
  const disagreement = useRawWords((r) => r.disagreement);
  const colour = useRawWords((r) => r.colour);
  const settings = useExposureWords((e) => e.settings);
  const print = useDesk((d) => d.settings.print);
  const { setWants } = useDesk.getState();
  useEffect(() => {
    setWants({ disagreement: true });
    return () => setWants({ disagreement: false });
  }, [setWants]);
  if (!disagreement || !colour || !settings) return null;
  const { verdict, causes } = whyTheyDiffer(colour, settings, disagreement, print);
  return (
    <View style={styles.why} testID="why">
      <Words testID="verdict">{verdict}</Words>
      {causes.map((cause) => (
        <Words key={cause} kind="label" quiet>
          {cause}
        </Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexWrap: 'nowrap' },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  wide: { flexGrow: 2, flexBasis: 180, flexWrap: 'nowrap' },
  why: { gap: space.half },
});
