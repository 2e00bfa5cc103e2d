// How far one can go: the room to clip by the person's own measure, one action that takes it, what that costs or wins, the habit,
// and whether one frame holds the scene.
import { StyleSheet, View } from 'react-native';
import { FIT_WAYS, type FitPlan, type FitWay } from '../../../core/advice/fit';
import { DARK_SHARE } from '../../../core/scopes/limits';
import { formatEv, formatThirds } from '../../../core/units/ladders';
import { BURNT_SHARES, SPARKLES, stepThrough } from '../../../live/check-settings';
import { useDesk } from '../../../live/desk';
import { hasIris } from '../../../live/camera';
import type { RawReport } from '../../../camera/report';
import { useExposureWords, useRawWords } from '../../../live/report';
import { Button } from '../../../ui/button';
import { Segmented } from '../../../ui/segmented';
import { Stepper } from '../../../ui/stepper';
import { colour, space } from '../../../ui/theme';
import { Words } from '../../../ui/words';
import { NoRaw } from '../no-raw';
import { fitLabel, percentWords, shareWords, valueWords } from '../format';

const WAY_NAMES: Readonly<Record<FitWay, string>> = {
  carrying: 'Carrying',
  shutter: 'Shutter',
  iso: 'ISO',
  aperture: 'Aperture',
};
const MOST_HABIT = 3;

export function FitPanel() {
  const raw = useRawWords((r) => r);
  const iso = useExposureWords((e) => e.settings.iso);
  const check = useDesk((d) => d.check);
  const iris = useDesk((d) => hasIris(d.optic));
  const { setCheck, takeFit } = useDesk.getState();
  if (!raw || iso === null) return <NoRaw />;
  const { fit } = raw;
  const ways = FIT_WAYS.filter((way) => way !== 'aperture' || iris);
  const habit = Math.round(3 * check.habitEv);
  return (
    <>
      <Words testID="fit-room">{roomWords(raw, check.share)}</Words>
      <View style={styles.row}>
        <Button
          label={fitLabel(fit)}
          name={`${fitLabel(fit)} (U)`}
          kind="primary"
          disabled={!fit || fit.thirds === 0}
          onPress={() => fit && takeFit(fit)}
          testID="fit"
        />
        <Words style={styles.flex} testID="fit-price">
          {priceWords(fit)}
        </Words>
      </View>
      <Segmented
        name="Fit through"
        choices={ways.map((id) => ({ id, label: WAY_NAMES[id], name: `${WAY_NAMES[id]} takes it` }))}
        chosen={check.fitBy}
        onChoose={(fitBy) => setCheck({ fitBy })}
        testID="fit-by"
        style={styles.ways}
      />
      <View style={styles.grid}>
        <Stepper
          name="May burn"
          value={shareWords(check.share)}
          onStep={(by) => setCheck({ share: stepThrough(BURNT_SHARES, check.share as never, by) })}
          testID="share"
        />
        <Stepper
          name="Sparkle may go"
          value={sparkleSize(check.sparkle, raw.sites)}
          onStep={(by) => setCheck({ sparkle: stepThrough(SPARKLES, check.sparkle as never, by) })}
          testID="sparkle"
        />
        <Stepper
          name="Habit"
          value={habit === 0 ? 'none' : `${formatThirds(check.habitEv)} EV`}
          onStep={(by) => {
            const next = Math.min(3 * MOST_HABIT, Math.max(-3 * MOST_HABIT, habit + by));
            setCheck({ habitEv: next / 3 });
          }}
          testID="habit"
        />
      </View>
      <Words kind="label" quiet>
        Sparkle is a bright area no larger than that, standing alone; a habit is added to every compensation.
      </Words>
      <Range raw={raw} iso={iso} cleanDb={check.cleanDb} />
    </>
  );
}

/** The room that is left, by the person's own measure. */
function roomWords({ headroomEv, sparkle }: RawReport, share: number): string {
  const most = Math.max(...sparkle);
  const but = most > 0 ? `, not counting ${percentWords(most)} of sparkle` : '';
  const burns = `${shareWords(share)} of a channel burns${but}.`;
  if (!Number.isFinite(headroomEv)) return 'Nothing is bright enough to burn.';
  return headroomEv < 0
    ? `Over by ${(-headroomEv).toFixed(1)} EV: more than ${burns}`
    : `Headroom ${formatEv(headroomEv)} EV until ${burns}`;
}

/** Across, in pixels of the capture: an area's share says little. */
function sparkleSize(share: number, sites: number): string {
  return share === 0 ? 'none' : `${Math.round(Math.sqrt(share * sites) / 5) * 5} px`;
}

/** What will move, and what the shadows get or lose by it. */
function priceWords(fit: FitPlan | null): string {
  if (!fit) return 'There is no light to fit to.';
  const { fader, controls, settings, thirds, missing, shadowDb, cleanEv } = fit;
  const short = missing === 0 ? '' : ` ${formatThirds(missing / 3)} EV more is out of its reach.`;
  if (thirds === 0) return missing === 0 ? 'Within a third of the limit.' : `Nothing moves.${short}`;
  const to =
    fader === 'compensation'
      ? `Compensation ${valueWords('compensation', controls.compensationEv)}: ${valueWords('shutter', settings.shutterS)}, ISO ${valueWords('iso', settings.iso)}`
      : `${WAY_NAMES[fader]} ${valueWords(fader, controls[fader].exact)}, the others held`;
  const wins = shadowDb >= 0 ? 'win' : 'lose';
  const deeper = cleanEv >= 0 ? 'deeper' : 'less deep';
  return `${to}. Shadows ${wins} ${Math.abs(shadowDb).toFixed(1)} dB and are clean ${Math.abs(cleanEv).toFixed(1)} EV ${deeper}.${short}`;
}

function Range({ raw, iso, cleanDb }: { raw: RawReport; iso: number; cleanDb: number }) {
  const { sceneEv, sensorEv, frames } = raw.range;
  const scene = Number.isFinite(sceneEv) ? `${sceneEv.toFixed(1)} EV` : 'more than the meter sees';
  return (
    <View testID="range-words">
      <Words style={frames === 1 ? styles.good : styles.warn}>
        {frames === 1
          ? 'One frame holds this scene.'
          : frames === null
            ? 'No set of frames at this ISO holds this scene.'
            : `It takes ${frames} frames to hold this scene.`}
      </Words>
      <Words kind="label" quiet>
        Scene {scene}, from its darkest {100 * DARK_SHARE} % to what must not burn. Raw {sensorEv.toFixed(1)}{' '}
        EV at ISO {valueWords('iso', iso)}, from clean at {cleanDb} dB to clip.
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: space.one, alignItems: 'center' },
  flex: { flex: 1 },
  ways: { flexWrap: 'nowrap' },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  good: { color: colour.good },
  warn: { color: colour.warn },
});
