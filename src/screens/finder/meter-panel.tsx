// The meter's panel: which pattern, the pins with their contrast and where to put one, and the hand meter.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { resolveExposure } from '../../core/exposure/automatic';
import { incidentEv100, parseLux, RECEPTOR_CONSTANT, RECEPTORS } from '../../core/meter/incident';
import { contrastOf, PIN_STEPS, type PinLetter, type PinReading } from '../../core/meter/pins';
import { patternOf, PATTERNS } from '../../core/meter/read';
import { BURN_SHARES } from '../../core/meter/highlight';
import { SPOT_NAMES, SPOT_SHARES } from '../../core/meter/spot';
import { formatEv } from '../../core/units/ladders';
import { useExposureWords, useReport } from '../../live/report';
import { useWorld } from '../../live/world';
import { useBody } from '../../live/in-use';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/camera';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Panel, PanelScroll } from '../../ui/panel';
import { TextField } from '../../ui/text-field';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { luminanceWords, luxWords, settingsWords } from './format';
import { LightPanel } from './light-panel';
import { handWords, isBurnt, pinWords } from './pins';

export type MeterTab = 'pattern' | 'pins' | 'hand' | 'light';

const TABS = [
  { id: 'pattern', label: 'Pattern' },
  { id: 'pins', label: 'Pins' },
  { id: 'hand', label: 'Hand meter' },
] as const;
/** Of a camera whose meter tells differences until it is calibrated. */
const LIGHT_TAB = { id: 'light', label: 'Light meter' } as const;

export function MeterPanel({
  tab: chosen,
  onTab,
  onClose,
}: {
  tab: MeterTab;
  onTab: (tab: MeterTab) => void;
  onClose: () => void;
}) {
  const { arrangedWorld } = useBody();
  const tabs = arrangedWorld ? TABS : [TABS[0], TABS[1], LIGHT_TAB];
  const tab = tabs.some(({ id }) => id === chosen) ? chosen : 'pattern';
  useEffect(() => {
    const { setWants } = useDesk.getState();
    setWants({ weights: tab === 'pattern' });
    return () => setWants({ weights: false });
  }, [tab]);
  return (
    <Panel
      title="Meter"
      onClose={onClose}
      tabs={
        <Segmented name="Part of the meter" choices={tabs} chosen={tab} onChoose={onTab} testID="meter-tab" />
      }
    >
      <PanelScroll key={tab} name={tab}>
        {tab === 'pattern' && <Patterns />}
        {tab === 'pins' && <Pins />}
        {tab === 'hand' && <HandMeter />}
        {tab === 'light' && <LightPanel />}
      </PanelScroll>
    </Panel>
  );
}

function Patterns() {
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const spotShare = useDesk((d) => d.settings.meter.spotShare);
  const locked = useDesk((d) => d.lock !== null);
  const burnShare = useDesk((d) => d.settings.meter.burnShare);
  const { setPattern, setSpotShare, setBurnShare } = useDesk.getState();
  return (
    <>
      <Segmented
        name="Pattern"
        choices={PATTERNS.map(({ id, name }) => ({ id, label: name }))}
        chosen={pattern}
        onChoose={setPattern}
        testID="choose-pattern"
      />
      <Words quiet testID="pattern-says">
        {patternOf(pattern).says}
      </Words>
      <Words kind="label" quiet style={styles.heading}>
        Spot: a tap on the picture puts it there. Its size:
      </Words>
      <Segmented
        name="Size of the spot"
        choices={SPOT_SHARES.map((id, i) => ({
          id,
          label: SPOT_NAMES[i]!,
          name: `${SPOT_NAMES[i]} spot, ${100 * id} % of the frame`,
        }))}
        chosen={pattern === 'spot' ? spotShare : null}
        onChoose={setSpotShare}
        testID="spot-size"
      />
      <Words kind="label" quiet style={styles.heading}>
        Highlight: this much of the frame may burn:
      </Words>
      <Segmented
        name="Share that may burn"
        choices={BURN_SHARES.map((id) => ({
          id,
          label: `${100 * id} %`,
          name: `${100 * id} % of the frame may burn`,
        }))}
        chosen={pattern === 'highlight' ? burnShare : null}
        onChoose={setBurnShare}
        testID="burn-share"
      />
      {locked && <Words quiet>A reading is locked: patterns change nothing until it is released.</Words>}
    </>
  );
}

function Pins() {
  const pins = useDesk((d) => d.pins);
  const readings = useReport((r) => r.words?.pins) ?? [];
  const relative = useReport((r) => (r.words?.relative ?? null) !== null);
  const spot = useDesk((d) => d.spot);
  const { addPin, removePin, placePin } = useDesk.getState();
  const [picked, setPicked] = useState<PinLetter | null>(null);
  const [against, setAgainst] = useState<PinLetter | null>(null);
  const chosen = readings.find((r) => r.letter === picked) ?? readings[0];
  const other =
    readings.find((r) => r.letter === against && r !== chosen) ?? readings.find((r) => r !== chosen);
  if (pins.length === 0) {
    return (
      <>
        <Words quiet>
          No pins yet. Hold a finger on the picture to put one there: it shows how far from mid-grey that
          place lands, and when raw clips there. Up to eight.
        </Words>
        <Button label="Pin the spot" onPress={() => addPin(spot)} testID="pin-spot" />
      </>
    );
  }
  const contrast = chosen && other && contrastOf(chosen.luminance, other.luminance);
  return (
    <>
      {readings.map((r) => (
        <View key={r.letter} style={styles.pin}>
          <Button
            label={r.letter}
            name={`${r.letter}: choose this pin`}
            on={r === chosen}
            onPress={() => setPicked(r.letter)}
            testID={`pick-${r.letter}`}
          />
          <View style={styles.grow}>
            <Words testID={`pin-words-${r.letter}`}>
              {Number.isFinite(r.fromGreyEv) ? `${formatEv(r.fromGreyEv)} from mid-grey` : 'black'}
            </Words>
            <Words kind="label" style={isBurnt(r) ? styles.clip : styles.quiet}>
              {[relative ? null : luminanceWords(r.luminance), clipWords(r)].filter(Boolean).join(' · ')}
            </Words>
          </View>
          <Button
            label="Remove"
            name={`Remove pin ${r.letter}`}
            kind="quiet"
            onPress={() => removePin(r.letter)}
            testID={`remove-${r.letter}`}
          />
        </View>
      ))}
      {pins.length < 8 && <Button label="Pin the spot" onPress={() => addPin(spot)} testID="pin-spot" />}
      {chosen && (
        <View style={styles.block}>
          <Words kind="label" quiet>
            Put pin {chosen.letter} this many stops from mid-grey:
          </Words>
          <View style={styles.steps}>
            {PIN_STEPS.map((step) => (
              <Button
                key={step}
                label={step === 0 ? '0' : `${step < 0 ? '−' : '+'}${Math.abs(step)}`}
                name={`${step === 0 ? '0' : `${step < 0 ? '−' : '+'}${Math.abs(step)}`}: put pin ${chosen.letter} there`}
                current={Math.round(chosen.fromGreyEv) === step}
                onPress={() => placePin(chosen.letter, step)}
                style={styles.step}
                testID={`place-${step}`}
              />
            ))}
          </View>
        </View>
      )}
      {contrast && (
        <View style={styles.block}>
          <Words testID="contrast">
            {chosen.letter} and {other.letter}: {contrast.stops.toFixed(1)} stops, 1 :{' '}
            {ratioWords(contrast.ratio)}
          </Words>
          {readings.length > 2 && (
            <View style={styles.steps}>
              {readings
                .filter((r) => r !== chosen)
                .map((r) => (
                  <Button
                    key={r.letter}
                    label={r.letter}
                    name={`${r.letter}: contrast of ${chosen.letter} with this pin`}
                    on={r === other}
                    onPress={() => setAgainst(r.letter)}
                    testID={`against-${r.letter}`}
                  />
                ))}
            </View>
          )}
        </View>
      )}
    </>
  );
}

/** How far raw is from clipping at a pin; of a picture, whether it stands at an end of its tones. */
function clipWords(pin: PinReading): string | null {
  if (pin.toClipEv === null)
    return pin.bound === 'least' ? 'picture at 255' : pin.bound === 'most' ? 'picture near 0' : null;
  return pin.toClipEv < 0 ? `raw ${pinWords(pin)}` : `raw clips in ${pin.toClipEv.toFixed(1)} EV`;
}

function ratioWords(ratio: number): string {
  if (!Number.isFinite(ratio)) return '∞';
  return ratio >= 10 ? Math.round(ratio).toLocaleString('en').replaceAll(',', ' ') : ratio.toFixed(1);
}

function HandMeter() {
  const hand = useDesk((d) => d.hand);
  const receptor = useDesk((d) => d.receptor);
  const reading = useReport((r) => r.words?.hand ?? null);
  const spot = useDesk((d) => d.spot);
  const plan = useExposureWords((e) => e.plan);
  const controls = useDesk((d) => d.settings);
  const iris = useDesk((d) => hasIris(d.optic));
  const { setHand, setReceptor, takeReading } = useDesk.getState();
  const [typed, setTyped] = useState('');
  let error: string | null = null;
  let lux = hand && reading?.kind === 'lux' ? reading.lux : null;
  if (typed.trim() !== '') {
    try {
      lux = parseLux(typed);
    } catch (e) {
      [lux, error] = [null, (e as Error).message];
    }
  }
  const ev100 = lux === null ? null : incidentEv100(lux, receptor);
  const asked = ev100 !== null && plan && resolveExposure(controls, ev100, plan).settings;
  return (
    <>
      <View style={styles.row}>
        <Button
          label={hand ? 'Put it away' : 'Hold it at the spot'}
          on={hand !== null}
          onPress={() => setHand(hand ? null : spot)}
          testID="hold-hand"
        />
        <Words style={styles.grow} quiet={!hand} testID="hand-words">
          {hand ? handWords(reading) : 'or type what your own meter says:'}
        </Words>
      </View>
      <TextField
        label="Illuminance, lx"
        value={typed}
        onChange={setTyped}
        error={error}
        placeholder={hand ? 'as the hand meter reads' : 'such as 320'}
        numeric
        testID="lux"
      />
      <Segmented
        name="Receptor"
        choices={RECEPTORS.map((id) => ({
          id,
          label: `${id === 'flat' ? 'Flat' : 'Dome'}, C ${RECEPTOR_CONSTANT[id]}`,
        }))}
        chosen={receptor}
        onChoose={setReceptor}
        testID="receptor"
      />
      {ev100 !== null && lux !== null && asked && (
        <View style={styles.row}>
          <Words style={styles.grow} testID="incident-words">
            {luxWords(lux)} is EV {formatEv(ev100).replace('+', '')}: {settingsWords(asked, iris)}
          </Words>
          <Button
            label="Take it"
            kind="primary"
            onPress={() => takeReading(ev100, `hand meter, ${luxWords(lux)}`)}
            testID="take-incident"
          />
        </View>
      )}
      <Words kind="label" quiet>
        {reading?.kind === 'no-surface'
          ? 'Here is a lamp, a flame or the sky: nothing that light falls on. Drag the hand meter to a surface.'
          : reading?.kind === 'failed'
            ? reading.message
            : 'Light that falls on a thing, whatever its colour. The simulated hand meter stands where you drag it; on a real one, type the figure.'}
      </Words>
      {reading?.kind === 'failed' && (
        <Button label="Try again" onPress={useWorld.getState().tryAgain} testID="hand-again" />
      )}
    </>
  );
}

const styles = StyleSheet.create({
  body: { gap: space.one },
  heading: { marginBottom: -space.half },
  pin: { flexDirection: 'row', alignItems: 'center', gap: space.one },
  grow: { flex: 1 },
  clip: { color: colour.clip },
  quiet: { color: colour.quiet },
  block: { gap: space.half, backgroundColor: colour.raised, borderRadius: radius, padding: space.one },
  steps: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  step: { paddingHorizontal: 0, backgroundColor: colour.line },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.one },
});
