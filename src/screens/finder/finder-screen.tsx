// The main screen: finder, stopline, faders, release, each at its place.
import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View, type StyleProp, type ViewStyle } from 'react-native';
import { useSafeAreaInsets, type EdgeInsets } from 'react-native-safe-area-context';
import { useDesk } from '../../live/desk';
import { pageStands } from '../../library/page-start';
import { useBody, useOptic } from '../../live/in-use';
import { useReport } from '../../live/report';
import { feedCamera, setRunning } from '../../live/feed';
import { keepingAwake, minding } from '../../live/manners';
import { useFollowedPlace } from '../../live/position';
import type { FaderId } from '../../live/desk-state';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { useTextSize } from '../../ui/text-size';
import { Faders, fadersOf } from './faders';
import { Guide } from './guide';
import { Head, type Way } from './head';
import { useDeskKeys, type PanelId } from './keys';
import { FinderPicture } from './picture';
import { GAP, placesFor, type Places, type Rect, type Size, type Wish } from './places';
import { CaptureNotes, ReleaseRow } from './release';
import { RemedyLine, RemedyList } from './remedies';
import { Stopline } from './stopline';
import { Tools } from './tools';
import { fetchRest, LaterPanels } from '../later';
import type { MoreTab } from './more-panel';
import type { Opened, PanelTabs } from './panels';

/** @param active false while another screen lies over the finder: it rests then */
export function FinderScreen({ active }: { active: boolean }) {
  const { room, insets } = useRoom();
  const lying = room.width > room.height;
  const scope = useDesk((d) => d.scope);
  const hand = useDesk((d) => d.thumb);
  const lens = useOptic();
  const evidence = useBody().evidence;
  const text = useTextSize();
  const { shown, open, ...panels } = usePanels();
  useFollowedPlace();
  useAhead();
  const aspect = useAspect(lying ? 4 / 3 : 3 / 4);
  const faders = fadersOf(lens).length;
  const places = placesFor({ room, aspect, faders, panel: shown, hand, text });
  useDeskKeys(active, open);
  useFeed(active, lying);
  useEffect(minding, []);
  useEffect(() => (active ? keepingAwake() : undefined), [active]);
  const { kind, picture, tools, second, release } = places;
  const wide = kind === 'wide';
  // The picture's histogram stands beside raw's.
  const both = wide || second !== null;
  useEffect(() => useDesk.getState().setWants({ picture: both }), [both]);
  // Three remedies in short stand under it; without raw it holds a line of words.
  const scopeHeight = evidence === 'picture' ? 44 : Math.min(220, Math.max(96, (second?.height ?? 0) - 220));

  return (
    <View style={[styles.page, !active && styles.away]} role="main" aria-label="Finder" aria-hidden={!active}>
      {/* In the order of the work: meter, set, check, release. Where each stands is said by its place, so that nothing is made anew when the
          screen is turned or a panel opens. */}
      <View
        style={[styles.room, { left: insets.left, top: insets.top, ...sizeOf(room) }]}
        testID={`places-${kind}`}
      >
        <Part at={places.head} style={styles.head}>
          <Head lines={places.head.lines} short={places.head.width < SHORT * text} onWay={panels.openWay} />
        </Part>
        <Part at={picture}>
          <FinderPicture
            width={picture.width}
            height={picture.height}
            foot={footOf(places)}
            bare={picture.width < ROOMY}
            onOutside={() => open('outside')}
            onFrame={() => open('frame')}
            onPin={panels.openPins}
          />
        </Part>
        {places.stopline.height >= LEAST_STOPLINE && (
          <Part at={places.stopline} style={places.over && styles.over}>
            <Stopline height={places.stopline.height} scope={both ? evidence : scope} />
          </Part>
        )}
        <Part at={places.faders}>
          <Faders
            rows={places.faders.rows}
            width={places.faders.width}
            onLadder={panels.openLadder}
            hints={wide}
          />
        </Part>
        {tools && (
          <Part at={tools} style={styles.through}>
            <Tools
              of={tools.of}
              height={tools.height}
              width={tools.width}
              onCheck={() => open('check')}
              onFrame={() => open('frame')}
            />
          </Part>
        )}
        {second && (
          <Part at={second} style={styles.second}>
            <Stopline height={scopeHeight} scope={evidence === 'picture' ? 'raw' : 'picture'} />
            <RemedyList most={Math.max(1, Math.floor((second.height - scopeHeight - 60) / 52))} />
            <Button
              label="Keys"
              name="Keys: what each key does (?)"
              kind="quiet"
              onPress={() => open('keys')}
              testID="keys"
            />
          </Part>
        )}
        <Part at={release}>
          <ReleaseRow
            of={release.of}
            turned={hand === 'left'}
            outer={kind === 'sideways'}
            onMeter={() => open('meter')}
            onMore={() => open('more')}
          />
        </Part>
        <Notes places={places} onRemedies={panels.openRemedies} />
        {places.panel && <Part at={places.panel}>{panels.element}</Part>}
      </View>
      {active && <Guide />}
    </View>
  );
}

function sizeOf({ width, height }: Size): Size {
  return { width, height };
}

function Part({ at, style, children }: { at: Rect; style?: StyleProp<ViewStyle>; children: ReactNode }) {
  const { x, y, width, height } = at;
  return <View style={[styles.part, { left: x, top: y, width, height }, style]}>{children}</View>;
}

/** What the person switched on over the picture keeps clear of its foot by so much. */
function footOf({ tools, over, stopline }: Places): number {
  return (tools?.of === 'foot' ? tools.height + GAP : 0) + (over ? stopline.height : 0);
}

/** Notices, the course of a capture and the worst remedy: at the picture's foot, or over a picture that is too small for them. */
function Notes({ places, onRemedies }: { places: Places; onRemedies: () => void }) {
  const { kind, picture, faders, panel } = places;
  const cleared = useDesk((d) => d.cleared);
  const small = panel !== null && kind !== 'wide';
  const narrow = picture.width < ROOMY * useTextSize();
  const at = small
    ? { left: faders.x, width: faders.width, top: picture.y + GAP }
    : {
        ...{ left: picture.x + 8, width: picture.width - 16 },
        ...{ top: picture.y, height: picture.height - footOf(places) - 2 * GAP },
      };
  return (
    <View style={[styles.notes, at]}>
      <CaptureNotes />
      {!places.second && kind !== 'wide' && !small && !narrow && !cleared && (
        <RemedyLine onAll={onRemedies} />
      )}
    </View>
  );
}

/** One panel at a time; each opens where it was left. */
function usePanels() {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [tabs, setTabs] = useState<PanelTabs>(FIRST_TABS);
  const close = useCallback(() => setOpened(null), []);
  const open = useCallback((panel: PanelId) => setOpened({ panel }), []);
  const openLadder = useCallback((ladder: FaderId) => setOpened({ ladder }), []);
  const onTabs = useCallback((changed: Partial<PanelTabs>) => setTabs((now) => ({ ...now, ...changed })), []);
  const openPins = useCallback(
    (meter: 'pins' | 'hand') => {
      onTabs({ meter });
      open('meter');
    },
    [open, onTabs],
  );
  const openMore = useCallback(
    (more: MoreTab) => {
      onTabs({ more });
      open('more');
    },
    [open, onTabs],
  );
  const openRemedies = useCallback(() => openMore('remedies'), [openMore]);
  const openWay = useCallback(
    (way: Way) => {
      if (way.to === 'more') openMore(way.tab);
      else if (way.to === 'ladder') openLadder(way.fader);
      else open(way.to);
    },
    [open, openMore, openLadder],
  );
  const element = opened && <LaterPanels opened={opened} tabs={tabs} onTabs={onTabs} onClose={close} />;
  return {
    shown: opened && placeOf(opened, tabs),
    open,
    openLadder,
    openPins,
    openRemedies,
    openWay,
    element,
  };
}

const FIRST_TABS: PanelTabs = { meter: 'pattern', more: 'trade', frame: 'frame', check: 'marks' };

/** Beside what a panel stands: what is marked, counted and compared is judged by the picture. */
function placeOf(opened: Opened, tabs: PanelTabs): Wish['panel'] {
  if ('ladder' in opened) return 'desk';
  const { panel } = opened;
  return panel === 'check' || (panel === 'frame' && tabs.frame === 'frame') ? 'picture' : 'desk';
}

/** Once the finder is live, what had to wait for it begins, and what opens later is fetched. */
function useAhead(): void {
  const live = useReport((r) => r.words !== null);
  useEffect(() => {
    if (!live) return;
    pageStands();
    const timer = setTimeout(() => void fetchRest().catch(() => undefined), AHEAD_MS);
    return () => clearTimeout(timer);
  }, [live]);
}

/** After the first frame: the frames that follow it come first. */
const AHEAD_MS = 150;

/** What may be used of the screen, without its notches and bars. */
function useRoom(): { room: Size; insets: EdgeInsets } {
  const { width, height } = useWindowDimensions();
  const insets = useSafeAreaInsets();
  const { left, right, top, bottom } = insets;
  return { room: { width: width - left - right, height: height - top - bottom }, insets };
}

/** Width over height of the frame: a simulated camera is held as the screen is, another gives what it gives. */
function useAspect(usual: number): number {
  const { arrangedWorld } = useBody();
  const told = useReport(({ report }) => (report ? report.width / report.height : null));
  return arrangedWorld || told === null ? usual : told;
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

/** Lower than this it would tell nothing: with large text on a low screen a panel takes its place. */
const LEAST_STOPLINE = 48;

/** Narrower than this the head tells the meter's stops only. */
const SHORT = 216;

/** Narrower than this a picture has no room for a histogram or a loupe. */
const ROOMY = 180;

const styles = StyleSheet.create({
  // Nothing scrolls it, not even what is brought into view.
  page: { flex: 1, backgroundColor: colour.page, overflow: 'clip' as 'hidden' },
  away: { display: 'none' },
  room: { position: 'absolute' },
  part: { position: 'absolute' },
  // What is tapped in it reaches a little under it.
  head: { zIndex: 1, pointerEvents: 'box-none' },
  through: { pointerEvents: 'box-none' },
  second: { gap: space.one, overflow: 'hidden' },
  // What is under it stays to be seen.
  over: { opacity: 0.86 },
  notes: { position: 'absolute', justifyContent: 'flex-end', gap: GAP, pointerEvents: 'box-none' },
});
