// A burst as it is set: so many frames or for as long as the release is held, and how often.
import { StyleSheet, View } from 'react-native';
import { burstEveryS, MOST_BURST, MOST_PER_S } from '../../core/sequence/burst';
import { useDesk } from '../../live/desk';
import { useExposureWords } from '../../live/report';
import { Segmented, type Choice } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { valueWords } from './format';

const HOW_LONG: readonly Choice<'count' | 'held'>[] = [
  { id: 'count', label: 'So many' },
  { id: 'held', label: 'While held' },
];

export function BurstPart() {
  const burst = useDesk((d) => d.settings.burst);
  const settings = useExposureWords((e) => e.settings);
  const { changeSetting } = useDesk.getState();
  const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
  const everyS = settings && burstEveryS(burst, settings.shutterS);
  return (
    <>
      <Segmented
        name="How long"
        choices={HOW_LONG}
        chosen={burst.held ? 'held' : 'count'}
        onChoose={(how) =>
          changeSetting(
            'burst',
            how === 'held' ? { held: true } : { held: false, frames: Math.max(2, burst.frames) },
          )
        }
        testID="burst-how"
      />
      <View style={styles.row}>
        {!burst.held && (
          <Stepper
            name="Frames"
            value={`${burst.frames}`}
            onStep={(by) => changeSetting('burst', { frames: within(burst.frames + by, 2, MOST_BURST) })}
            testID="burst-frames"
          />
        )}
        <Stepper
          name="A second"
          value={`${burst.perS}`}
          onStep={(by) => changeSetting('burst', { perS: within(burst.perS + by, 1, MOST_PER_S) })}
          testID="burst-rate"
        />
      </View>
      {everyS !== null && everyS !== undefined && (
        <Words testID="burst-words">
          {burst.held
            ? `Hold the release, or Space: up to ${MOST_BURST} frames`
            : `${burst.frames} frames in ${((burst.frames - 1) * everyS).toFixed(1)} s`}
          {everyS > 1.001 / burst.perS &&
            `. ${valueWords('shutter', settings!.shutterS)} and the read-out let ${(1 / everyS).toFixed(1)} a second follow`}
          .
        </Words>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
});
