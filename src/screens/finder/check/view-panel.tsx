// How the screens look where the work happens, and the finder with nothing on it.
import { View, StyleSheet } from 'react-native';
import { LENGTH_UNITS } from '../../../core/units/lengths';
import { useDesk } from '../../../live/desk';
import { Button } from '../../../ui/button';
import { Segmented } from '../../../ui/segmented';
import { space, THEME_IDS, type ThemeId } from '../../../ui/theme';
import { Words } from '../../../ui/words';

const THEMES: Readonly<Record<ThemeId, { label: string; says: string }>> = {
  studio: { label: 'Studio', says: 'Neutral grey, for judging colour.' },
  sun: { label: 'Sun', says: 'Light, with all the contrast there is, for the open air.' },
  dark: {
    label: 'Dark-adapted',
    says: 'Deep red on black, and the picture dimmed and red too: eyes stay used to the night. Colour cannot be judged in it.',
  },
};

export function ViewPanel({ onClose }: { onClose: () => void }) {
  const theme = useDesk((d) => d.theme);
  const thumb = useDesk((d) => d.thumb);
  const lengths = useDesk((d) => d.lengths);
  const { setLengths, setTheme, setThumb, clear, showGuide } = useDesk.getState();
  return (
    <>
      <Segmented
        name="Theme"
        choices={THEME_IDS.map((id) => ({ id, label: THEMES[id].label }))}
        chosen={theme}
        onChoose={setTheme}
        testID="theme"
        style={styles.row}
      />
      <Words quiet>{THEMES[theme].says}</Words>
      <View style={styles.clear}>
        <Segmented
          name="Thumb at the"
          choices={[
            { id: 'left', label: 'Left', name: 'Left hand' },
            { id: 'right', label: 'Right', name: 'Right hand' },
          ]}
          chosen={thumb}
          onChoose={setThumb}
          testID="thumb"
        />
        <Words kind="label" quiet style={styles.flex}>
          The hand that holds and presses: held sideways, the desk stands at its side.
        </Words>
      </View>
      <Segmented
        name="Distances in"
        choices={LENGTH_UNITS.map((id) => ({ id, label: id === 'm' ? 'Metres' : 'Feet' }))}
        chosen={lengths}
        onChoose={setLengths}
        testID="view-lengths"
      />
      <View style={styles.clear}>
        <Button
          label="Bare finder"
          name="Bare finder (B)"
          onPress={() => {
            clear(true);
            onClose();
          }}
          testID="clear-panel"
        />
        <Words kind="label" quiet style={styles.flex}>
          Takes everything off the picture. So does a stroke down on it; a stroke up brings back what you had.
        </Words>
      </View>
      <View style={styles.clear}>
        <Button
          label="What is what"
          onPress={() => {
            onClose();
            showGuide(true);
          }}
          testID="what-is-what"
        />
        <Words kind="label" quiet style={styles.flex}>
          Short labels on the finder, gone with the next touch.
        </Words>
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexWrap: 'nowrap' },
  clear: { flexDirection: 'row', gap: space.one, alignItems: 'center' },
  flex: { flex: 1 },
});
