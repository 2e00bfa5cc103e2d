// Where frames go from here on, and what their files say of the person and the place.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { positionWords } from '../../core/body/position';
import {
  keywordsOf,
  MOST_COPYRIGHT,
  MOST_KEYWORD,
  MOST_KEYWORDS,
  MOST_PERSON,
  tidy,
} from '../../core/setting/credit';
import type { Roll } from '../../core/frame/roll';
import { isUnknown } from '../../core/units/known';
import { keepRoll, rollIn, useRolls } from '../../library/rolls';
import { useDesk } from '../../live/desk';
import { useBody } from '../../live/in-use';
import { askPlaceAgain, usePosition } from '../../live/position';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/text-field';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { NewRoll, RollChoice } from '../rolls/roll-choice';
import { capital } from './format';

export function RollPanel() {
  const chosen = useDesk((d) => d.roll);
  const { setRoll } = useDesk.getState();
  const roll = rollIn(useRolls(), chosen);
  return (
    <>
      <Words kind="label" quiet>
        Frames go into this roll, and into All frames as well:
      </Words>
      <RollChoice name="Frames go into" chosen={roll.id} onChoose={setRoll} />
      <NewRoll label="New roll" onMade={setRoll} />
      <Credit />
      <Keywords key={roll.id} roll={roll} />
      <Place />
    </>
  );
}

/** Said in files that are taken from here on; those that are there stay as they are. */
function Credit() {
  const { person, copyright } = useDesk((d) => d.credit);
  const { setCredit } = useDesk.getState();
  return (
    <>
      <Words kind="label" quiet>
        Said in every file that is taken from here on; empty, it is left out:
      </Words>
      <Line
        label="Name"
        kept={person}
        most={MOST_PERSON}
        onKeep={(text) => setCredit({ person: text })}
        testID="person"
      />
      <Line
        label="Copyright"
        kept={copyright}
        most={MOST_COPYRIGHT}
        onKeep={(text) => setCredit({ copyright: text })}
        testID="copyright"
      />
    </>
  );
}

function Line({
  label,
  kept,
  most,
  onKeep,
  testID,
}: {
  label: string;
  kept: string;
  most: number;
  onKeep: (text: string) => void;
  testID: string;
}) {
  const [text, setText] = useState(kept);
  const long = tidy(text).length > most;
  return (
    <TextField
      label={label}
      value={text}
      onChange={(next) => {
        setText(next);
        // Kept as it is typed: nobody forgets to press a button.
        if (tidy(next).length <= most) onKeep(tidy(next));
      }}
      error={long ? `${most} letters at most; this has ${tidy(text).length}.` : null}
      testID={testID}
    />
  );
}

export function Keywords({ roll }: { roll: Roll }) {
  const [text, setText] = useState(roll.keywords.join(', '));
  const [wrong, setWrong] = useState<string | null>(null);
  const [kept, setKept] = useState(roll.keywords.join(', '));
  const keep = async () => {
    const keywords = keywordsOf(text);
    if (!keywords) {
      setWrong(`${MOST_KEYWORDS} keywords at most, of ${MOST_KEYWORD} letters at most.`);
      return;
    }
    try {
      await keepRoll({ ...roll, keywords });
      setKept(text);
      setWrong(null);
    } catch (error) {
      setWrong(`Not kept: ${(error as Error).message}.`);
    }
  };
  return (
    <View style={styles.row}>
      <TextField
        label={`Keywords of ${roll.name}, between commas`}
        value={text}
        onChange={setText}
        onSubmit={() => void keep()}
        error={wrong}
        testID="keywords"
      />
      <Button
        label="Keep"
        name="Keep the keywords"
        disabled={text === kept}
        onPress={() => void keep()}
        testID="keep-keywords"
      />
    </View>
  );
}

function Place() {
  const placed = useDesk((d) => d.placed);
  const { setPlaced } = useDesk.getState();
  const position = usePosition();
  const { arrangedWorld } = useBody();
  const missing = placed && isUnknown(position);
  return (
    <>
      <View style={styles.row}>
        <Button
          label="Frames tell their place"
          on={placed}
          onPress={() => setPlaced(!placed)}
          testID="placed"
        />
        {missing && <Button label="Look again" onPress={askPlaceAgain} testID="place-again" />}
      </View>
      <Words kind="label" quiet={!missing} style={missing && styles.warn} testID="place-words" role="status">
        {!placed
          ? 'Off: no file says where it was taken.'
          : isUnknown(position)
            ? `${capital(position.unknown)}. Frames are taken without.`
            : `${positionWords(position)}${arrangedWorld ? ': stands in for a place, as the scene does for a world' : ''}. It can be left out when a roll is exported.`}
      </Words>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'flex-end', gap: space.one },
  warn: { color: colour.warn },
});
