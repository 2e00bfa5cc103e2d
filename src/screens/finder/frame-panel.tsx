// Framing: how far the picture is cut out of the lens's frame, its shape, lines to compose by, and the level; in a second part what lies sharp.
import { StyleSheet, View } from 'react-native';
import { ASPECT_IDS, cutWords, isCut, type Cut } from '../../core/setting/cut';
import type { Body } from '../../core/body/body';
import { CUT_LADDER, nearestStep, at } from '../../core/units/ladders';
import { isUnknown, known } from '../../core/units/known';
import { askForSensor, sensorMustBeAsked, useAttitude } from '../../live/attitude';
import { useDesk } from '../../live/desk';
import { GRIDS, type Grid } from '../../live/desk-state';
import { useBody, useOptic } from '../../live/in-use';
import { Button } from '../../ui/button';
import { Panel, PanelScroll } from '../../ui/panel';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { megapixelsLeft } from './cut-chip';
import { DepthPanel } from './depth-panel';
import { levelWords } from './frame-layer';

const FRAME_TABS = [
  { id: 'frame', label: 'Frame' },
  { id: 'depth', label: 'Depth' },
] as const;
export type FrameTab = (typeof FRAME_TABS)[number]['id'];

const GRID_NAMES: Readonly<Record<Grid, string>> = {
  none: 'No grid',
  thirds: 'Thirds',
  golden: 'Golden',
  cross: 'Cross',
  diagonals: 'Diagonals',
};

export function FramePanel({
  tab,
  onTab,
  onClose,
}: {
  tab: FrameTab;
  onTab: (tab: FrameTab) => void;
  onClose: () => void;
}) {
  return (
    <Panel
      title="Frame"
      onClose={onClose}
      tabs={<Segmented name="Frame" choices={FRAME_TABS} chosen={tab} onChoose={onTab} testID="frame-tab" />}
    >
      <PanelScroll key={tab} name={tab}>
        {tab === 'frame' ? <Framing /> : <DepthPanel />}
      </PanelScroll>
    </Panel>
  );
}

function Framing() {
  const cut = useDesk((d) => d.settings.cut);
  const grid = useDesk((d) => d.grid);
  const { can } = useOptic();
  const body = useBody();
  const { changeSetting, setGrid } = useDesk.getState();
  return (
    <>
      {can.cut ? (
        <>
          <View style={styles.row}>
            <Words kind="label" quiet style={styles.name}>
              Digital zoom
            </Words>
            <View style={styles.flex}>
              <Slider
                name="Digital zoom"
                value={nearestStep(CUT_LADDER, cut.times)}
                least={0}
                most={CUT_LADDER.length - 1}
                usual={0}
                large={8}
                valueText={`${cut.times.toFixed(1)} times${cut.times > 1 ? ', cut' : ''}`}
                onValue={(i) => changeSetting('cut', { times: at(CUT_LADDER, i).exact })}
                testID="cut-times"
              />
            </View>
            <Words kind="value" style={styles.times}>
              {cut.times.toFixed(1)}×
            </Words>
          </View>
          <Words kind="label" quiet testID="cut-words">
            {leftWords(cut, body)}
          </Words>
          <Segmented
            name="Shape"
            choices={ASPECT_IDS.map((id) => ({
              id,
              label: id === 'whole' ? 'Whole' : id,
              name: id === 'whole' ? 'Whole: no lines' : id,
            }))}
            chosen={cut.aspect}
            onChoose={(aspect) => changeSetting('cut', { aspect })}
            columns={6}
            testID="aspect"
          />
        </>
      ) : (
        <Words kind="label" quiet>
          This camera’s pictures are kept as the device gives them, whole.
        </Words>
      )}
      <Segmented
        name="Grid"
        choices={GRIDS.map((id) => ({ id, label: GRID_NAMES[id] }))}
        chosen={grid}
        onChoose={setGrid}
        columns={5}
        testID="grid"
      />
      <LevelChoice />
    </>
  );
}

/** What a cut leaves, and of what. */
function leftWords(cut: Cut, { megapixels, evidence }: Body): string {
  if (!isCut(cut)) return 'The lens’s whole frame.';
  const whole =
    evidence === 'raw' ? 'Raw keeps the whole frame.' : 'The JPEG keeps nothing of what is outside.';
  const all = known(megapixels);
  if (all === undefined) return `${cutWords(cut)}. ${whole}`;
  return `${cutWords(cut)}: ${megapixelsLeft(cut, all).toFixed(1)} of ${all} MP. ${cut.times > 1 ? 'No more detail than the lens sees at 1×. ' : ''}${whole}`;
}

function LevelChoice() {
  const level = useDesk((d) => d.level);
  const { setLevel } = useDesk.getState();
  const attitude = useAttitude();
  const { arrangedWorld } = useBody();
  return (
    <View style={styles.row}>
      <Button label="Level" on={level} onPress={() => setLevel(!level)} testID="level-on" />
      <Words kind="label" quiet style={styles.flex} testID="level-words">
        {isUnknown(attitude) ? `Not known: ${attitude.unknown}.` : `Held ${levelWords(attitude)}.`}
      </Words>
      {!arrangedWorld && isUnknown(attitude) && sensorMustBeAsked() && (
        <Button label="Ask the sensor" onPress={() => void askForSensor()} testID="level-ask" />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.one, minHeight: touch },
  name: { width: 92 },
  flex: { flex: 1 },
  times: { width: 52, textAlign: 'right' },
});
