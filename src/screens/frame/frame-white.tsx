// Another white for a frame that was taken: tried on the picture, kept with the frame, written into what is downloaded. The file that was taken and
// its raw numbers stay as they are.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CameraMatrices } from '../../core/colour/calibrated';
import { whiteWords, type WhitePoint } from '../../core/colour/temperature';
import type { FrameRecord } from '../../core/frame/record';
import { tintsOn, USUAL_LIGHTS, whiteByHand, whiteStepsOn } from '../../core/setting/white';
import { at, nearestStep, nominalKelvin, WHITE_LADDER } from '../../core/units/ladders';
import { keepLook } from '../../library/looks';
import { Button } from '../../ui/button';
import { Slider } from '../../ui/slider';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { tintWords } from '../finder/format';

const LARGE = 10;

export function FrameWhite({
  record,
  asShot,
  matrices,
  white,
  onWhite,
}: {
  record: FrameRecord;
  asShot: WhitePoint;
  /** Of the camera, where the file tells them: only what it can be balanced for is offered. */
  matrices: CameraMatrices | undefined;
  white: WhitePoint | null;
  onWhite: (white: WhitePoint | null) => void;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const sensor = { can: {}, matrices };
  const { exact: kelvin, tint } = whiteByHand(white ?? asShot);
  const steps = whiteStepsOn(sensor, tint);
  const tints = tintsOn(sensor, kelvin);
  const usual = nearestStep(WHITE_LADDER, asShot.kelvin);
  const change = (to: WhitePoint | null) => {
    setSaid(null);
    onWhite(to);
  };
  const keep = async () => {
    setSaid('Keeping…');
    try {
      const kept = await keepLook(record, { rewhite: white ?? undefined });
      setSaid(kept ? 'Kept with the frame.' : 'Not kept: the frame is gone.');
    } catch (error) {
      setSaid(`Not kept: ${error instanceof Error ? error.message : String(error)}.`);
    }
  };
  return (
    <View style={styles.box}>
      <Words testID="frame-white">
        {whiteWords({ kelvin, tint })}
        {white ? '' : ', as taken'}
      </Words>
      <Words kind="label" quiet>
        Cooler to warmer
      </Words>
      <Slider
        name="White"
        value={nearestStep(WHITE_LADDER, kelvin)}
        least={steps.skipped}
        most={steps.skipped + steps.ladder.length - 1}
        usual={usual}
        large={LARGE}
        valueText={`${nominalKelvin(kelvin)} K`}
        onValue={(i) => change({ kelvin: at(WHITE_LADDER, i).exact, tint })}
        testID="frame-kelvin"
      />
      <Words kind="label" quiet>
        Tint, for light that is magenta (−) or green (+)
      </Words>
      <Slider
        name="Tint"
        value={Math.round(tint)}
        least={tints.low}
        most={tints.high}
        usual={Math.round(asShot.tint)}
        large={LARGE}
        valueText={tintWords(tint)}
        onValue={(to) => change({ kelvin, tint: to })}
        testID="frame-tint"
      />
      <View style={styles.row}>
        <Button label="As taken" on={white === null} onPress={() => change(null)} testID="frame-as-taken" />
        {USUAL_LIGHTS.map((light) => (
          <Button
            key={light.id}
            label={light.name}
            name={`${light.name} ${nominalKelvin(light.kelvin)} K`}
            onPress={() => change(light)}
            testID={`frame-${light.id}`}
          />
        ))}
        <Button
          label="Keep"
          name="Keep this white with the frame"
          kind="primary"
          onPress={() => void keep()}
          testID="frame-keep"
        />
      </View>
      {said && (
        <Words style={said.startsWith('Not') && styles.warn} role="status" testID="frame-white-said">
          {said}
        </Words>
      )}
      <Words kind="label" quiet>
        A download has this white in its tags; the small pictures inside of it stay as they were taken.
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: space.half },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  warn: { color: colour.warn },
});
