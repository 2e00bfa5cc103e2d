// The main screen: finder, stopline, faders, release. One layout for the thumb, one for the wide screen and its keys.
import { useCallback, useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useDesk } from '../../live/desk';
import { feedCamera, setRunning } from '../../live/feed';
import type { FaderId } from '../../live/desk-state';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { CheckPanel, type CheckTab } from './check/check-panel';
import { Faders, LadderPanel } from './faders';
import { KEY_WORDS, useDeskKeys, type Panel } from './keys';
import { MeterPanel, type MeterTab } from './meter-panel';
import { MorePanel, type MoreTab } from './more-panel';
import { OutsidePanel } from './outside';
import { FinderPicture } from './picture';
import { ReleaseRow } from './release';
import { RemedyList } from './remedies';
import { StatusLine } from './status-line';
import { Stopline } from './stopline';

/** @param active false while another screen lies over the finder: it rests then */
export function FinderScreen({ active }: { active: boolean }) {
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const [ladder, setLadder] = useState<FaderId | null>(null);
  const closeLadder = useCallback(() => setLadder(null), []);
  const scope = useDesk((d) => d.scope);
  const [panel, setPanel] = useState<Panel | null>(null);
  const [meterTab, setMeterTab] = useState<MeterTab>('pattern');
  const [moreTab, setMoreTab] = useState<MoreTab>('trade');
  const [checkTab, setCheckTab] = useState<CheckTab>('marks');
  const close = useCallback(() => setPanel(null), []);
  const open = useCallback((next: Panel) => {
    if (next === 'meter') setMeterTab('pattern');
    setPanel(next);
  }, []);
  const openPins = useCallback((tab: 'pins' | 'hand') => {
    setMeterTab(tab);
    setPanel('meter');
  }, []);
  const openRemedies = useCallback(() => {
    setMoreTab('remedies');
    setPanel('more');
  }, []);
  useDeskKeys(active && ladder === null && panel === null, open);
  useFeed(active, wide);
  const ways = {
    onOutside: () => open('outside'),
    onPin: openPins,
    onRemedies: openRemedies,
    onCheck: () => open('check'),
  };
  const release = <ReleaseRow onMeter={() => open('meter')} onMore={() => open('more')} />;

  return (
    <View style={[styles.page, !active && styles.away]} role="main" aria-label="Finder" aria-hidden={!active}>
      {wide ? (
        <View style={styles.wide}>
          <View style={styles.left}>
            <FinderPicture {...fit(width - 452, height - 176, 4 / 3)} {...ways} remedies={false} />
            <Stopline height={136} scope="raw" />
          </View>
          <View style={styles.right}>
            <StatusLine />
            <Stopline height={128} scope="picture" />
            <RemedyList compact />
            <Faders onLadder={setLadder} hints />
            <Words kind="label" quiet style={styles.keys}>
              {KEY_WORDS}
            </Words>
            {release}
          </View>
        </View>
      ) : (
        <View style={styles.phone}>
          <StatusLine />
          <View style={styles.finder}>
            <FinderPicture {...fit(width, height - 32 - 96 - 156 - 88 - 16, 3 / 4)} {...ways} />
          </View>
          <View style={styles.desk}>
            <Stopline height={96} scope={scope} />
            <Faders onLadder={setLadder} />
            {release}
          </View>
        </View>
      )}
      {ladder && <LadderPanel fader={ladder} onClose={closeLadder} />}
      {panel === 'outside' && <OutsidePanel onClose={close} />}
      {panel === 'meter' && <MeterPanel tab={meterTab} onClose={close} />}
      {panel === 'check' && <CheckPanel tab={checkTab} onTab={setCheckTab} onClose={close} />}
      {panel === 'more' && <MorePanel tab={moreTab} onTab={setMoreTab} onClose={close} />}
    </View>
  );
}

/** The largest frame of the given aspect that fits. */
function fit(width: number, height: number, aspect: number): { width: number; height: number } {
  const w = Math.max(120, Math.min(width, height * aspect));
  return { width: Math.floor(w), height: Math.floor(w / aspect) };
}

/** Keeps the camera told of the desk, and lets it rest when nobody looks. */
function useFeed(active: boolean, wide: boolean): void {
  useEffect(() => useDesk.getState().setOrientation(wide ? 'landscape' : 'portrait'), [wide]);
  useEffect(feedCamera, []);
  useEffect(() => {
    const onChange = () => setRunning(active && document.visibilityState === 'visible');
    onChange();
    document.addEventListener('visibilitychange', onChange);
    return () => document.removeEventListener('visibilitychange', onChange);
  }, [active]);
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  away: { display: 'none' },
  phone: { flex: 1 },
  finder: { alignItems: 'center' },
  desk: { flex: 1, gap: space.one, padding: space.one },
  wide: { flex: 1, flexDirection: 'row', padding: space.one + space.half, gap: space.one + space.half },
  left: { flex: 1, gap: space.one, justifyContent: 'center' },
  right: { width: 416, gap: space.one },
  keys: { textAlign: 'center' },
});
