// What one press does: at once or after a delay, one frame, a burst, or a set that differs in light; and the set that the scene asks for.
import type { ComponentType } from 'react';
import { StyleSheet, View } from 'react-native';
import { DRIVES, DRIVE_IDS, type DriveId } from '../../core/sequence/drives';
import { driveOf, withDrive } from '../../core/sequence/in-use';
import { DELAYS_S } from '../../core/setting/delay';
import {
  FILE_KINDS,
  hasJpeg,
  hasPicture,
  KIND_WORDS,
  LEAST_QUALITY,
  PICTURE_SIZES,
  SIZE_WORDS,
  type FileKind,
} from '../../core/setting/files';
import { useDesk } from '../../live/desk';
import { useFrameBytes } from '../../live/frame-bytes';
import { useOptic } from '../../live/in-use';
import { Button } from '../../ui/button';
import { Segmented, type Choice } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { BracketPart, BracketPlanPart } from './drive-bracket';
import { BurstPart } from './drive-burst';
import { capital } from './format';

export function DrivePanel() {
  const delayS = useDesk((d) => d.settings.delayS);
  const { setSetting } = useDesk.getState();
  const { can } = useOptic();
  return (
    <>
      <Words kind="label" quiet>
        Release delay, so that a touch does not shake the camera:
      </Words>
      <Segmented
        name="Release delay"
        choices={DELAYS_S.map((id) => ({ id, label: id === 0 ? 'None' : `${id} s` }))}
        chosen={delayS}
        onChoose={(seconds) => setSetting('delayS', seconds)}
        testID="delay"
      />
      {can.bracket && can.burst ? (
        <SetPart />
      ) : (
        <Words kind="label" quiet>
          This camera takes one frame a press: its exposure cannot be set from frame to frame, and a still
          takes its time.
        </Words>
      )}
      {can.files && <FilesPart />}
      <MannersPart />
    </>
  );
}

const TRADE_OFFS: Readonly<Record<FileKind, string>> = {
  dng: 'All that the sensor counted. White and brightness can be set anew afterwards.',
  'dng+jpeg': 'Raw to work on, and a picture that can be handed on at once.',
  jpeg: 'Small and finished: what is burnt or lost in it stays so. No raw is kept.',
  tiff: 'Finished in 16 bits, nothing left out by coding, and very large. No raw is kept.',
  png: 'Finished in 8 bits, nothing left out by coding. No raw is kept.',
  png16:
    'Finished in 16 bits, nothing left out by coding, smaller than TIFF and slow to write. No raw is kept.',
};

/** What files a frame is kept as. */
function FilesPart() {
  const files = useDesk((d) => d.settings.files);
  const { changeSetting } = useDesk.getState();
  const { bytes, from } = useFrameBytes();
  const quality = (by: number) =>
    changeSetting('files', {
      quality: Math.min(100, Math.max(LEAST_QUALITY, files.quality + QUALITY_STEP * by)),
    });
  return (
    <>
      <Words kind="label" quiet>
        A frame is kept as:
      </Words>
      <Segmented
        name="A frame is kept as"
        choices={FILE_KINDS.map((id) => ({ id, label: KIND_WORDS[id] }))}
        chosen={files.kind}
        onChoose={(kind) => changeSetting('files', { kind })}
        columns={3}
        testID="files"
      />
      {hasPicture(files) && (
        <View style={styles.row}>
          {hasJpeg(files) && (
            <Stepper name="JPEG quality" value={`${files.quality}`} onStep={quality} testID="files-quality" />
          )}
          <Segmented
            name="Size of the picture"
            choices={PICTURE_SIZES.map((id) => ({ id, label: capital(SIZE_WORDS[id]) }))}
            chosen={files.size}
            onChoose={(size) => changeSetting('files', { size })}
            testID="files-size"
            style={styles.cell}
          />
        </View>
      )}
      <Words kind="label" quiet testID="files-words">
        {TRADE_OFFS[files.kind]} About {sizeWords(bytes)} a frame
        {from > 0 ? `, as the last ${from === 1 ? 'one' : from}` : ', as is usual'}.
      </Words>
    </>
  );
}

/** What a press is heard and felt by, and whether the screen sleeps. */
function MannersPart() {
  const { sound, haptics, awake } = useDesk((d) => d.manners);
  const { setManners } = useDesk.getState();
  return (
    <>
      <Words kind="label" quiet>
        When frames are taken, and while a count runs:
      </Words>
      <View style={styles.row}>
        <Button
          label="Sound"
          on={sound}
          onPress={() => setManners({ sound: !sound })}
          testID="manners-sound"
        />
        <Button
          label="Vibration"
          on={haptics}
          onPress={() => setManners({ haptics: !haptics })}
          testID="manners-haptics"
        />
        <Button
          label="Screen stays on"
          name="Screen stays on while the finder is open"
          on={awake}
          onPress={() => setManners({ awake: !awake })}
          testID="manners-awake"
        />
      </View>
      <Words kind="label" quiet>
        A page cannot set the screen’s brightness: in sun take the theme Sun, and turn it up by the device.
      </Words>
    </>
  );
}

/** Steps of a JPEG's quality. */
const QUALITY_STEP = 4;

function sizeWords(bytes: number): string {
  return bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
}

const TAKES: readonly Choice<DriveId | 'single'>[] = [
  { id: 'single', label: 'One frame' },
  ...DRIVES.map(({ id, choice }) => ({ id, label: choice })).reverse(),
];

/** What is set of each drive. */
const PARTS: Readonly<Record<DriveId, ComponentType>> = { bracket: BracketPart, burst: BurstPart };

/** What one press takes. */
function SetPart() {
  const takes = useDesk((d) => driveOf(d.settings).id);
  const { setSetting } = useDesk.getState();
  const Part = takes === 'single' ? BracketPlanPart : PARTS[takes];
  const choose = (next: DriveId | 'single') => {
    const wanted = withDrive(useDesk.getState().settings, next);
    for (const id of DRIVE_IDS) setSetting(id, wanted[id]);
  };
  return (
    <>
      <Words kind="label" quiet>
        A press takes:
      </Words>
      <Segmented name="A press takes" choices={TAKES} chosen={takes} onChoose={choose} testID="takes" />
      <Part />
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  cell: { flexGrow: 1, flexBasis: 150 },
});
