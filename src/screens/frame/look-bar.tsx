// How a frame is looked at: zoom, developed or a channel of raw, what is marked. A mark is switched by a tap and shown for as long as it is held.
import { useRef } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Clipping } from '../../core/review/view';
import { CFA_NAMES } from '../../core/sensor/raw-frame';
import { RGB_NAMES } from '../../core/sensor/rgb-image';
import { Button } from '../../ui/button';
import { space } from '../../ui/theme';
import { useViewing } from './viewing';

/** Held longer than this a mark goes when it is let go. */
const HELD_MS = 350;

export function LookBar({ kind, isCut }: { kind: 'cfa' | 'rgb' | 'picture'; isCut: boolean }) {
  const { zoom, channel, whole, look } = useViewing();
  const names = kind === 'cfa' ? CFA_NAMES : RGB_NAMES;
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      style={styles.bar}
      contentContainerStyle={styles.inside}
      role="toolbar"
      aria-label="How it is looked at"
      testID="look-bar"
    >
      <Button label="Fit" on={zoom === 'fit'} onPress={() => look({ zoom: 'fit' })} testID="fit" />
      <Button label="100 %" on={zoom === 1} onPress={() => look({ zoom: 1 })} testID="full" />
      <Button label="200 %" on={zoom === 2} onPress={() => look({ zoom: 2 })} testID="double" />
      {kind !== 'picture' && <MarkButton which="raw" label="Raw clips" />}
      <MarkButton which="picture" label="Picture clips" />
      {kind !== 'picture' && (
        <View style={styles.group} role="group" aria-label="Developed, or one channel as grey">
          <Button
            label="Picture"
            on={channel === null}
            onPress={() => look({ channel: null })}
            testID="channel-picture"
          />
          {names.map((name, i) => (
            <Button
              key={name}
              label={name}
              name={`${name}: ${kind === 'cfa' ? 'this channel of raw' : 'this component'} as grey`}
              on={channel === i}
              onPress={() => look({ channel: i })}
              testID={`channel-${name}`}
            />
          ))}
        </View>
      )}
      {isCut && (
        <Button
          label="All of raw"
          name="All of raw: also what lies outside the framing"
          on={whole}
          onPress={() => look({ whole: !whole, at: { x: 0.5, y: 0.5 } })}
          testID="whole"
        />
      )}
    </ScrollView>
  );
}

/** A press switches it; one that is held shows what it would mark and takes it away again. */
function MarkButton({ which, label }: { which: keyof Clipping; label: string }) {
  const on = useViewing((v) => v.clipping[which]);
  const { toggle } = useViewing.getState();
  const since = useRef(0);
  return (
    <View
      {...({
        // By the times of the finger: a busy page hears of both ends late, and not equally late.
        onPointerDown: ({ nativeEvent: { timeStamp } }: { nativeEvent: PointerEvent }) => {
          since.current = timeStamp;
          toggle(which);
        },
        onPointerUp: ({ nativeEvent: { timeStamp } }: { nativeEvent: PointerEvent }) => {
          if (since.current > 0 && timeStamp - since.current > HELD_MS) toggle(which);
        },
        // A finger that turns out to move the bar meant no mark.
        onPointerCancel: () => {
          if (since.current > 0) toggle(which);
          since.current = 0;
        },
      } as object)}
    >
      <Button
        label={label}
        name={`${label}: where ${which === 'raw' ? 'sites' : 'the picture'} ${which === 'raw' ? 'are' : 'is'} clipped`}
        on={on}
        // The pointer has done it; a key has not.
        onPress={() => {
          if (since.current === 0) toggle(which);
          since.current = 0;
        }}
        testID={`clips-${which}`}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexGrow: 0, flexShrink: 0 },
  inside: { flexDirection: 'row', gap: space.half, padding: space.half },
  group: { flexDirection: 'row', gap: space.half },
});
