// In which order the sheet stands, and which frames of it are shown.
import { StyleSheet, View } from 'react-native';
import { FILTERS, SORTS, USUAL, type Filter, type Sort } from '../../core/frame/arrange';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { useSheet } from './sheet-state';

const SORT_WORDS: Readonly<Record<Sort, readonly [string, string, string]>> = {
  time: ['Time', 'newest first', 'oldest first'],
  name: ['Name', 'last name first', 'first name first'],
  exposure: ['Exposure', 'most light first', 'least light first'],
  clipped: ['Clipped', 'most clipped first', 'least clipped first'],
};
const FILTER_WORDS: Readonly<Record<Filter, string>> = {
  ...{ all: 'All', kept: 'Kept', open: 'Open', dropped: 'Dropped', clipped: 'Clipping' },
};

export function Arranging() {
  const { sort, most, filter, leastRating } = useSheet((s) => s.arrangement);
  const { arrange } = useSheet.getState();
  const [, mostWords, leastWords] = SORT_WORDS[sort];
  return (
    <View style={styles.box} role="region" aria-label="Order and choice" testID="arranging">
      <View style={styles.row}>
        <Segmented
          name="Sort by"
          choices={SORTS.map((id) => ({ id, label: SORT_WORDS[id][0] }))}
          chosen={sort}
          onChoose={(id) => arrange({ sort: id })}
          testID="sort"
        />
        <Button
          label={capital(most ? mostWords : leastWords)}
          onPress={() => arrange({ most: !most })}
          testID="sort-way"
        />
      </View>
      <Segmented
        name="Show"
        choices={FILTERS.map((id) => ({
          id,
          label: FILTER_WORDS[id],
          ...(id === 'open' && { name: 'Open: nothing was said of them' }),
          ...(id === 'clipped' && { name: 'Clipping: highlights are lost in raw' }),
        }))}
        chosen={filter}
        onChoose={(id) => arrange({ filter: id })}
        testID="filter"
      />
      <Segmented
        name="Rated at least"
        choices={[0, 1, 2, 3, 4, 5].map((id) => ({
          id,
          label: id === 0 ? 'Any' : '●'.repeat(id),
          name: id === 0 ? 'Any rating' : `${'●'.repeat(id)} rated ${id} at least`,
        }))}
        chosen={leastRating}
        onChoose={(id) => arrange({ leastRating: id })}
        testID="least-rating"
      />
    </View>
  );
}

/** Says that not all is shown, with the way back. */
export function FilterNote({ shown, of }: { shown: number; of: number }) {
  const { filter, leastRating } = useSheet((s) => s.arrangement);
  if (filter === 'all' && leastRating === 0) return null;
  const words = [
    filter !== 'all' && FILTER_WORDS[filter].toLowerCase(),
    leastRating > 0 && `rated ${leastRating} at least`,
  ].filter(Boolean);
  return (
    <View style={styles.note} role="status" testID="filter-note">
      <Words style={styles.says}>
        {shown} of {of}: {words.join(', ')}
      </Words>
      <Button
        label="Show all"
        onPress={() => useSheet.getState().arrange({ filter: USUAL.filter, leastRating: 0 })}
        testID="show-all"
      />
    </View>
  );
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const styles = StyleSheet.create({
  box: {
    gap: space.one,
    margin: space.half,
    padding: space.one,
    backgroundColor: colour.panel,
    borderRadius: radius,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  note: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.one,
    paddingHorizontal: space.two,
    paddingBottom: space.half,
  },
  says: { flex: 1 },
});
