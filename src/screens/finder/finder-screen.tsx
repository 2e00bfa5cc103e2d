// The main screen: finder, stopline, faders, release. One layout for the thumb, one for the wide screen and its keys.
import { useCallback, useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { camera } from '../../live/camera';
import { orderOf, useDesk, type FaderId } from '../../live/desk';
import { rememberDesk } from '../../live/desk-memory';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { Faders, LadderSheet } from './faders';
import { KEY_WORDS, useDeskKeys } from './keys';
import { OutsideSheet } from './outside';
import { FinderPicture } from './picture';
import { ReleaseRow } from './release';
import { StatusLine } from './status-line';
import { Stopline } from './stopline';

/** @param active false while another screen lies over the finder: it rests then */
export function FinderScreen({ active }: { active: boolean }) {
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const [ladder, setLadder] = useState<FaderId | null>(null);
  const closeLadder = useCallback(() => setLadder(null), []);
  const scope = useDesk((d) => d.scope);
  const [outside, setOutside] = useState(false);
  const openOutside = useCallback(() => setOutside(true), []);
  const closeOutside = useCallback(() => setOutside(false), []);
  useDeskKeys(active && ladder === null && !outside, openOutside);
  useFeed(active, wide);

  return (
    <View style={[styles.page, !active && styles.away]} role="main" aria-label="Finder" aria-hidden={!active}>
      {wide ? (
        <View style={styles.wide}>
          <View style={styles.left}>
            <FinderPicture {...fit(width - 452, height - 176, 4 / 3)} onOutside={openOutside} />
            <Stopline height={136} scope="raw" />
          </View>
          <View style={styles.right}>
            <StatusLine />
            <Stopline height={128} scope="picture" />
            <Faders onLadder={setLadder} hints />
            <Words kind="label" quiet style={styles.keys}>
              {KEY_WORDS}
            </Words>
            <ReleaseRow />
          </View>
        </View>
      ) : (
        <View style={styles.phone}>
          <StatusLine />
          <View style={styles.finder}>
            <FinderPicture {...fit(width, height - 32 - 96 - 156 - 88 - 16, 3 / 4)} onOutside={openOutside} />
          </View>
          <View style={styles.desk}>
            <Stopline height={96} scope={scope} />
            <Faders onLadder={setLadder} />
            <ReleaseRow />
          </View>
        </View>
      )}
      {ladder && <LadderSheet fader={ladder} onClose={closeLadder} />}
      {outside && <OutsideSheet onClose={closeOutside} />}
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
  useEffect(() => {
    let forget: (() => void) | undefined;
    let gone = false;
    void rememberDesk().then((stop) => {
      if (gone) stop();
      else forget = stop;
    });
    return () => {
      gone = true;
      forget?.();
    };
  }, []);
  useEffect(() => {
    const send = () =>
      camera.apply(orderOf(useDesk.getState(), active && document.visibilityState === 'visible'));
    let last = '';
    const onChange = () => {
      const order = orderOf(useDesk.getState(), active && document.visibilityState === 'visible');
      const key = JSON.stringify(order);
      if (key === last) return;
      last = key;
      send();
    };
    onChange();
    const stop = useDesk.subscribe((state, before) => {
      if (
        state.report !== before.report &&
        state.camera === before.camera &&
        state.controls === before.controls
      )
        return;
      if (state.camera !== before.camera) last = '';
      onChange();
    });
    document.addEventListener('visibilitychange', onChange);
    return () => {
      stop();
      document.removeEventListener('visibilitychange', onChange);
    };
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
