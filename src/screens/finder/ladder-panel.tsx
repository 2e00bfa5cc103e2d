// The exact ladder of one fader, and what the setting does.
import { useEffect, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { explain } from '../../core/advice/explain';
import { isAllManual } from '../../core/exposure/automatic';
import { nearestStep } from '../../core/units/ladders';
import { known } from '../../core/units/known';
import { lengthWords } from '../../core/units/lengths';
import { hasIris } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { exactOf, isAuto } from '../../live/desk-controls';
import { LADDERS, type FaderId } from '../../live/desk-state';
import { exposureOf, rawOf, useReport } from '../../live/report';
import { Button } from '../../ui/button';
import { Panel } from '../../ui/panel';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { FADER_NAMES, useSteps } from './faders';
import { FocusPart } from './focus-part';
import { NoRaw } from './no-raw';

const PLAIN_WORDS = {
  white:
    'The light that counts as white. Set to 3000 K, what a warm lamp lights comes out neutral; set to 6500 K, what lies in shade does.',
  zoom: 'How much closer the device looks than at its widest. It does not tell whether a lens moves or the picture is cropped.',
} as const;

/** What a setting does, with a figure of the present scene. */
function Explanation({ of }: { of: FaderId }) {
  const report = useReport((r) => r.words);
  const allManual = useDesk((d) => isAllManual(d.settings, hasIris(d.optic)));
  const lengths = useDesk((d) => d.lengths);
  if (of === 'white' || of === 'zoom')
    return (
      <Words kind="body" quiet style={styles.explanation} testID="explanation">
        {PLAIN_WORDS[of]}
      </Words>
    );
  const [exposure, raw] = [exposureOf(report), rawOf(report)];
  const focusM = report ? known(report.focusM) : undefined;
  if (!exposure || !raw || focusM === undefined) return <NoRaw />;
  const { settings } = exposure;
  const { effects, headroomEv } = raw;
  return (
    <Words kind="body" quiet style={styles.explanation} testID="explanation">
      {explain(of, { settings, effects, headroomEv, allManual, focusM, lengths })}
    </Words>
  );
}

/** The exact ladder of one fader. */
export function LadderPanel({ fader, onClose }: { fader: FaderId; onClose: () => void }) {
  const settings = useDesk((d) => d.settings);
  const exact = useReport((r) => exactOf(settings, r.words, fader));
  const auto = isAuto(settings, fader);
  const lengths = useDesk((d) => d.lengths);
  const { set, setAutomatic, restore } = useDesk.getState();
  const [opened] = useState(() => {
    const { settings: before, trade, lock } = useDesk.getState();
    return { settings: before, trade, lock };
  });
  const { ladder, skipped } = useSteps(fader);
  const current = nearestStep(LADDERS[fader], exact);
  const steps = ladder.map((step, k) => ({ step, i: k + skipped })).reverse();
  const scroll = useRef<View>(null);
  // Opens where the value stands, not at the ladder's end; of focus what the camera found comes first.
  useEffect(() => {
    const list = scroll.current as unknown as HTMLElement | null;
    if (fader !== 'focus') list?.querySelector('[data-current]')?.scrollIntoView({ block: 'nearest' });
  }, [fader]);
  return (
    <Panel title={FADER_NAMES[fader]} onClose={onClose}>
      <ScrollView style={styles.sheetScroll} tabIndex={0}>
        <Explanation of={fader} />
        {fader === 'focus' && <FocusPart />}
        <View style={styles.sheetHead}>
          <Button
            label={fader === 'compensation' ? 'Zero' : 'Automatic'}
            on={auto}
            onPress={() => setAutomatic(fader)}
            testID="ladder-auto"
          />
          <Button label="As it was" kind="quiet" onPress={() => restore(opened)} />
        </View>
        <View ref={scroll} style={styles.grid}>
          {steps.map(({ step, i }) => (
            <Button
              key={step.label}
              current={i === current}
              label={fader === 'focus' ? lengthWords(step.exact, lengths) : step.label}
              on={!auto && i === current}
              onPress={() => set(fader, i)}
              style={styles.step}
              testID={`step-${step.label}`}
            />
          ))}
        </View>
      </ScrollView>
    </Panel>
  );
}

const styles = StyleSheet.create({
  explanation: { marginBottom: space.one },
  sheetHead: { flexDirection: 'row', gap: space.one, marginBottom: space.one },
  sheetScroll: { flexShrink: 1 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  step: { width: '22%', minWidth: 58, paddingHorizontal: 4 },
});
