// White: found by the camera, set by hand with its tint, taken from a usual light, from a thing in the picture, from one of two lights, or from what
// was kept under a name.
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { whiteWords, type WhitePoint } from '../../core/colour/temperature';
import { tintsOn, USUAL_LIGHTS, usualLightOf } from '../../core/setting/white';
import { known } from '../../core/units/known';
import { nominalKelvin } from '../../core/units/ladders';
import { RING_RADII, type RingReading } from '../../core/white/ring';
import type { MixedLight } from '../../core/white/mixed';
import { useDesk } from '../../live/desk';
import { useOptic } from '../../live/in-use';
import { standingWhite } from '../../live/desk-controls';
import { useReport } from '../../live/report';
import { takeRing } from '../../live/take-ring';
import { Button } from '../../ui/button';
import { Panel, PanelScroll } from '../../ui/panel';
import { Slider } from '../../ui/slider';
import { Stepper } from '../../ui/stepper';
import { TextField } from '../../ui/text-field';
import { rem, colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { percentWords, ringWords, tintWords } from './format';

const LARGE_TINT = 10;
/** The ring grows and shrinks by this factor. */
const RING_STEP = 1.3;
const BY_WORDS = {
  hand: 'set by hand',
  automatic: 'found by the camera',
  guess: 'guessed: nothing in the picture looks grey',
  held: 'held with the exposure',
} as const;

export function WhitePanel({ onClose }: { onClose: () => void }) {
  const settings = useDesk((d) => d.settings);
  const report = useReport((r) => r.words);
  const [opened] = useState(() => useDesk.getState().settings.white);
  const { setAutomatic, setSetting, setTint, setRing, setShowLights } = useDesk.getState();
  const stands = standingWhite(settings, report);
  const told = report && known(report.white);
  const optic = useOptic();
  const { whiteOnPicture } = optic;
  const tints = useMemo(() => tintsOn(optic, stands.exact), [optic, stands.exact]);
  useEffect(
    () => () => {
      setRing(null);
      setShowLights(false);
    },
    [setRing, setShowLights],
  );
  return (
    <Panel title="White" onClose={onClose}>
      <PanelScroll name="white">
        <View style={styles.row}>
          <Button
            label="Automatic"
            on={settings.white.auto}
            onPress={() => setAutomatic('white')}
            testID="white-auto"
          />
          <RingToggle />
          <Button label="As it was" kind="quiet" onPress={() => setSetting('white', opened)} />
        </View>
        <FromThing reading={report?.ring ?? null} />
        <Words testID="white-stands" style={styles.stands}>
          {settings.white.auto && !told
            ? 'As the device makes it, which it does not tell'
            : whiteWords({ kelvin: stands.exact, tint: stands.tint })}
          {told ? `, ${BY_WORDS[told.by]}` : ''}
        </Words>
        {whiteOnPicture && (
          <Words kind="label" quiet testID="white-on-picture">
            This device does not let its white be set. By hand it is put on the finished picture, as gains:
            what it makes by itself counts as made for daylight, and what it has burnt comes out light grey.
          </Words>
        )}
        <View>
          <Words kind="label" quiet>
            Tint, for light that is magenta (−) or green (+)
          </Words>
          <Slider
            name="Tint"
            value={Math.round(stands.tint)}
            least={tints.low}
            most={tints.high}
            usual={0}
            large={LARGE_TINT}
            valueText={tintWords(stands.tint)}
            onValue={setTint}
            testID="tint"
          />
        </View>
        <TwoLights mixed={report?.mixed ?? null} />
        <Lights chosen={settings.white.auto ? undefined : usualLightOf(settings.white)?.id} />
        <Kept />
      </PanelScroll>
    </Panel>
  );
}

function Lights({ chosen }: { chosen: string | undefined }) {
  const { setWhite } = useDesk.getState();
  return (
    <View style={styles.part}>
      <Words kind="label" quiet>
        Usual lights
      </Words>
      <View style={styles.row}>
        {USUAL_LIGHTS.map((light) => (
          <Button
            key={light.id}
            label={`${light.name} ${nominalKelvin(light.kelvin)}`}
            name={`${light.name} ${nominalKelvin(light.kelvin)} K`}
            on={light.id === chosen}
            onPress={() => setWhite(light)}
            testID={`light-${light.id}`}
          />
        ))}
      </View>
    </View>
  );
}

function RingToggle() {
  const ring = useDesk((d) => d.ring);
  const { setRing } = useDesk.getState();
  return (
    <Button
      label="From a thing"
      name="From a thing in the picture"
      on={ring !== null}
      onPress={() => setRing(ring ? null : { at: { x: 0.5, y: 0.5 }, radius: RING_RADII.usual })}
      testID="ring-toggle"
    />
  );
}

function FromThing({ reading }: { reading: RingReading | null }) {
  const ring = useDesk((d) => d.ring);
  const { setRing } = useDesk.getState();
  if (!ring) return null;
  return (
    <View style={styles.part}>
      <Words quiet>Drag the ring onto something grey or white; where you let go is taken.</Words>
      <View style={styles.row}>
        <Stepper
          name="Ring"
          value={`${percentWords(2 * ring.radius)} wide`}
          onStep={(by) => setRing({ ...ring, radius: ring.radius * (by > 0 ? RING_STEP : 1 / RING_STEP) })}
          testID="ring-size"
        />
        <Button
          label="Take it"
          kind="primary"
          disabled={reading?.kind !== 'white'}
          onPress={() => void takeRing()}
          testID="ring-take"
        />
      </View>
      <Words style={reading?.kind === 'refused' && styles.warn} role="status" testID="ring-words">
        {ringWords(reading)}
      </Words>
      {reading?.kind === 'white' &&
        reading.warnings.map((warning) => (
          <Words key={warning} style={styles.warn}>
            {warning}.
          </Words>
        ))}
    </View>
  );
}

function TwoLights({ mixed }: { mixed: MixedLight | null }) {
  const shown = useDesk((d) => d.showLights);
  const { setShowLights } = useDesk.getState();
  if (!mixed) return null;
  return (
    <View style={styles.part} testID="mixed">
      <Words>
        It looks lit by two lights: {percentWords(mixed.warmerShare)} of the picture by one of{' '}
        {nominalKelvin(mixed.warmer.kelvin)} K, {percentWords(mixed.coolerShare)} by one of{' '}
        {nominalKelvin(mixed.cooler.kelvin)} K. White can be right for one of them.
      </Words>
      <View style={styles.row}>
        <TakeLight light={mixed.warmer} id="warmer" />
        <TakeLight light={mixed.cooler} id="cooler" />
        <Button
          label="Show which"
          name="Show which part is lit by which"
          on={shown}
          onPress={() => setShowLights(!shown)}
          testID="show-lights"
        />
      </View>
    </View>
  );
}

function TakeLight({ light, id }: { light: WhitePoint; id: string }) {
  const { setWhite } = useDesk.getState();
  return (
    <Button
      label={`Take ${nominalKelvin(light.kelvin)} K`}
      onPress={() => setWhite(light)}
      testID={`take-${id}`}
    />
  );
}

function Kept() {
  const whites = useDesk((d) => d.whites);
  const [name, setName] = useState('');
  const { keepWhite, forgetWhite, setWhite } = useDesk.getState();
  const keep = () => {
    keepWhite(name);
    setName('');
  };
  return (
    <View style={styles.part}>
      {whites.map((white) => (
        <View key={white.name} style={styles.row}>
          <Button
            label={`${white.name}: ${whiteWords(white)}`}
            onPress={() => setWhite(white)}
            style={styles.kept}
            testID={`kept-${white.name}`}
          />
          <Button
            label="Remove"
            name={`Remove ${white.name}`}
            kind="quiet"
            onPress={() => forgetWhite(white.name)}
          />
        </View>
      ))}
      <TextField
        label="Keep this white under a name"
        value={name}
        onChange={setName}
        onSubmit={keep}
        testID="keep-name"
      />
      <Button label="Keep" disabled={name.trim() === ''} onPress={keep} testID="keep-white" />
    </View>
  );
}

const styles = StyleSheet.create({
  // Two lines, whatever is told: nothing under it moves.
  stands: { minHeight: rem(40) },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.half },
  part: { gap: space.half },
  kept: { flexShrink: 1 },
  warn: { color: colour.warn },
});
