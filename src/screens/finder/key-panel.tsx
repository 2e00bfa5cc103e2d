// All keys, printed from the table that listens for them.
import { StyleSheet, View } from 'react-native';
import { useDesk } from '../../live/desk';
import { Panel, PanelScroll } from '../../ui/panel';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { KEY_GROUPS, KEY_LINES, printedKeys } from './keys';

export function KeyPanel({ onClose }: { onClose: () => void }) {
  // What a key can do changes with the camera in use.
  useDesk((d) => d.optic);
  const desk = useDesk.getState();
  return (
    <Panel title="Keys" onClose={onClose}>
      <PanelScroll name="keys">
        {KEY_GROUPS.map((group) => (
          <View key={group} role="list" aria-label={group} style={styles.group}>
            <Words kind="label" quiet>
              {group}
            </Words>
            {KEY_LINES.filter((line) => line.group === group && (line.on?.(desk) ?? true)).map((line) => (
              <View key={line.says} role="listitem" style={styles.line} testID={`key-${line.keys[0]}`}>
                <View style={styles.keys}>
                  <Words kind="label">{printedKeys(line)}</Words>
                </View>
                <Words style={styles.says}>{line.says}</Words>
              </View>
            ))}
          </View>
        ))}
        <Words kind="label" quiet>
          Arrow keys work on whatever has the focus; on the picture they move the spot.
        </Words>
      </PanelScroll>
    </Panel>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.half, marginBottom: space.one },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.one },
  keys: {
    minWidth: 64,
    alignItems: 'center',
    backgroundColor: colour.raised,
    borderRadius: radius,
    paddingVertical: 4,
    paddingHorizontal: space.one,
  },
  says: { flex: 1 },
});
