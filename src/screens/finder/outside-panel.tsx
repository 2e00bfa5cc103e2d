// The stand-in for the world outside the camera: which scene, which lamps burn, what turns, hand or tripod. Kept apart from
// the camera's own settings, by place and by look; with a real camera it is not there.
import { Fragment, useRef } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { levelsOf } from '../../core/scene/outside';
import { WHEEL_SPEEDS, type SceneLamp, type SceneListing } from '../../core/scene/scene';
import { useScenes } from '../../library/scenes';
import { useWorld } from '../../live/world';
import { Button } from '../../ui/button';
import { Panel, PanelScroll } from '../../ui/panel';
import { colour, radius, space, touch } from '../../ui/theme';
import { Slider } from '../../ui/slider';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';

export function OutsidePanel({ onClose }: { onClose: () => void }) {
  const { data, error, isPending, refetch } = useScenes();
  const chosen = useWorld((w) => w.scene);
  const status = useWorld((w) => w.status);
  const { setScene } = useWorld.getState();
  const scene = data?.find((s) => s.id === chosen);
  return (
    <Panel title="Outside" onClose={onClose}>
      <Words kind="label" quiet style={styles.lead}>
        The world in front of the simulated camera. Nothing here is a setting of the camera.
      </Words>
      {isPending && <Words quiet>Looking for scenes…</Words>}
      {error && (
        <View role="alert" style={styles.error}>
          <Words style={styles.warn}>{error.message}</Words>
          <Button label="Try again" onPress={() => void refetch()} />
        </View>
      )}
      {status.kind === 'failed' && (
        <View role="alert" style={styles.error}>
          <Words style={styles.warn}>{status.message}.</Words>
          <Button label="Try again" onPress={useWorld.getState().tryAgain} testID="scene-again" />
        </View>
      )}
      <PanelScroll name="outside">
        {scene && <Arrangement scene={scene} />}
        <View style={styles.scenes} role="radiogroup" aria-label="Scene">
          {data?.map((s) => (
            <SceneCard key={s.id} scene={s} chosen={s.id === chosen} onPress={() => setScene(s.id)} />
          ))}
        </View>
      </PanelScroll>
    </Panel>
  );
}

function SceneCard({
  scene,
  chosen,
  onPress,
}: {
  scene: SceneListing;
  chosen: boolean;
  onPress: () => void;
}) {
  return (
    <Pressable
      role="radio"
      aria-checked={chosen}
      aria-label={`${scene.name}: ${scene.says}`}
      onPress={onPress}
      testID={`scene-${scene.id}`}
      style={[styles.card, chosen && styles.chosen]}
    >
      <Image source={{ uri: `/scenes/${scene.id}.jpg` }} style={styles.thumb} aria-hidden alt="" />
      <View style={styles.cardWords}>
        <Words kind="body" style={chosen && styles.accent}>
          {scene.name}
        </Words>
        <Words kind="label" quiet>
          {scene.says}
        </Words>
      </View>
    </Pressable>
  );
}

/** Support, lamps and what turns. */
function Arrangement({ scene }: { scene: SceneListing }) {
  const outside = useWorld((w) => w.outside);
  const { arrange } = useWorld.getState();
  const levels = levelsOf(scene, outside);
  const oneOf = scene.oneOf ?? [];
  const moved = scene.lamps.filter((lamp) => oneOf.includes(lamp.id));
  const setLevel = (id: string, level: number) => arrange({ levels: { ...outside.levels, [id]: level } });
  const lit = moved.find((lamp) => levels[scene.lamps.indexOf(lamp)]! > 0) ?? moved[0];
  const moveTo = (id: string) => {
    const level = lit ? levels[scene.lamps.indexOf(lit)]! : 1;
    const others = Object.fromEntries(oneOf.map((other) => [other, 0]));
    arrange({ levels: { ...outside.levels, ...others, [id]: level } });
  };
  return (
    <View style={styles.arrangement}>
      <Row label="Held">
        {(['hand', 'tripod'] as const).map((support) => (
          <Button
            key={support}
            label={support === 'hand' ? 'By hand' : 'On a tripod'}
            on={outside.support === support}
            onPress={() => arrange({ support })}
            testID={`support-${support}`}
          />
        ))}
      </Row>
      <Held />
      {scene.spin && (
        <Row label={scene.spin.name}>
          {WHEEL_SPEEDS.map((wheel) => (
            <Button
              key={wheel}
              label={wheel === 'still' ? 'Still' : `${scene.spin!.turnsPerS[wheel]} turns/s`}
              on={outside.wheel === wheel}
              onPress={() => arrange({ wheel })}
              testID={`wheel-${wheel}`}
            />
          ))}
        </Row>
      )}
      {scene.lamps.map((lamp, i) => {
        if (!oneOf.includes(lamp.id)) {
          return <Level key={lamp.id} lamp={lamp} level={levels[i]!} onLevel={(v) => setLevel(lamp.id, v)} />;
        }
        if (lamp !== moved[0] || !lit) return null;
        return (
          <Fragment key={lamp.id}>
            <Row label="Lamp stands">
              {moved.map((place) => (
                <Button
                  key={place.id}
                  label={place.name.replace(/^Lamp (at the )?/, '')}
                  name={place.name.replace(/^Lamp (at the )?/, '') + ': lamp stands there'}
                  on={place === lit}
                  onPress={() => moveTo(place.id)}
                  testID={`place-${place.id}`}
                />
              ))}
            </Row>
            <Level
              lamp={{ ...lit, name: 'Lamp' }}
              level={levels[scene.lamps.indexOf(lit)]!}
              onLevel={(v) => setLevel(lit.id, v)}
            />
          </Fragment>
        );
      })}
    </View>
  );
}

/** How the hand holds the camera. */
function Held() {
  const attitude = useWorld((w) => w.attitude);
  const { hold } = useWorld.getState();
  const part = (key: 'rollDeg' | 'pitchDeg', name: string, most: number) => (
    <View style={styles.row}>
      <Words kind="label" quiet style={styles.rowLabel}>
        {name}
      </Words>
      <View style={styles.rowSlider}>
        <Slider
          name={`${name}, degrees`}
          value={2 * attitude[key]}
          least={-2 * most}
          most={2 * most}
          usual={0}
          large={10}
          valueText={`${attitude[key].toFixed(1)}°`}
          onValue={(v) => hold({ [key]: v / 2 })}
          testID={`hold-${key}`}
        />
      </View>
      <Words kind="label" style={styles.percent}>
        {attitude[key].toFixed(1)}°
      </Words>
    </View>
  );
  return (
    <>
      {part('rollDeg', 'Rolled', 45)}
      {part('pitchDeg', 'Looks up', 90)}
      {!(attitude.rollDeg === 0 && attitude.pitchDeg === 0) && (
        <Words kind="label" quiet>
          The level tells how it is held. The scene’s picture was made by a camera that stands level, and does
          not turn.
        </Words>
      )}
    </>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <View style={styles.row}>
      <Words kind="label" quiet style={styles.rowLabel}>
        {label}
      </Words>
      <View style={styles.rowButtons}>{children}</View>
    </View>
  );
}

const LEVEL_STEPS = 20;

/** A lamp's dimmer: drag along it, arrow keys, a tap sets it, a tap on the name switches it. */
function Level({
  lamp,
  level,
  onLevel,
}: {
  lamp: SceneLamp;
  level: number;
  onLevel: (level: number) => void;
}) {
  const ref = useRef<View>(null);
  const from = useRef(level);
  const last = useRef(lamp.level > 0 ? lamp.level : 1);
  const go = (value: number) => onLevel(Math.min(1, Math.max(0, Math.round(value * 100) / 100)));
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = level;
    },
    onMove: (dx) => {
      const width = (ref.current as unknown as HTMLElement | null)?.clientWidth ?? 200;
      go(from.current + dx / width);
    },
    onTap: (x) => go(x),
    onKey: (key) => {
      if (key === 'ArrowRight' || key === 'ArrowUp') go(level + 1 / LEVEL_STEPS);
      else if (key === 'ArrowLeft' || key === 'ArrowDown') go(level - 1 / LEVEL_STEPS);
      else if (key === 'Home') go(0);
      else if (key === 'End') go(1);
      else return false;
      return true;
    },
  });
  const percent = `${Math.round(level * 100)} %`;
  const toggle = () => {
    if (level > 0) last.current = level;
    onLevel(level > 0 ? 0 : last.current);
  };
  return (
    <View style={styles.row}>
      <Pressable
        role="switch"
        aria-checked={level > 0}
        aria-label={lamp.name}
        onPress={toggle}
        testID={`lamp-${lamp.id}`}
        style={[styles.rowLabel, styles.lampName]}
      >
        <Words kind="label" quiet={level === 0}>
          {lamp.name}
        </Words>
      </Pressable>
      <GestureDetector gesture={touches}>
        <View
          ref={ref}
          role="slider"
          tabIndex={0}
          aria-label={`${lamp.name} level`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(level * 100)}
          aria-valuetext={percent}
          testID={`level-${lamp.id}`}
          style={styles.level}
        >
          <View style={styles.levelTrack}>
            <View style={[styles.levelFill, { width: `${level * 100}%` }]} />
          </View>
        </View>
      </GestureDetector>
      <Words kind="label" style={styles.percent}>
        {percent}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  lead: { marginBottom: space.one },
  error: { flexDirection: 'row', alignItems: 'center', gap: space.one, marginBottom: space.one },
  warn: { color: colour.warn },
  accent: { color: colour.accent },
  scenes: { gap: space.one, marginTop: space.one },
  card: {
    flexDirection: 'row',
    gap: space.one + space.half,
    alignItems: 'center',
    padding: space.one,
    borderRadius: radius,
    backgroundColor: colour.raised,
    borderWidth: 1,
    borderColor: 'transparent',
  },
  chosen: { borderColor: colour.accent },
  thumb: { width: 84, height: 63, borderRadius: 6, backgroundColor: colour.page },
  cardWords: { flex: 1, gap: 2 },
  arrangement: { gap: space.one },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.one, minHeight: touch },
  rowLabel: { width: 92 },
  rowSlider: { flex: 1 },
  rowButtons: { flex: 1, flexDirection: 'row', gap: space.one, flexWrap: 'wrap' },
  lampName: { minHeight: touch, justifyContent: 'center' },
  level: { flex: 1, minHeight: touch, justifyContent: 'center', cursor: 'pointer' },
  levelTrack: { height: 10, borderRadius: 5, backgroundColor: colour.line, overflow: 'hidden' },
  levelFill: { height: 10, backgroundColor: colour.quiet },
  percent: { width: 44, textAlign: 'right' },
});
