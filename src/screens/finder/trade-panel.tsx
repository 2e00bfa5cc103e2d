// Trading: brightness is held, one setting gives way to the others click for click; a table of what gives the same light, and
// what each row costs.
import type { SettingId } from '../../core/exposure/settings';
import { useEffect } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { Equivalent } from '../../core/advice/equivalents';
import { tradable, valueOf } from '../../core/advice/equivalents';
import { LADDER_OF } from '../../core/exposure/automatic';
import { nearestStep } from '../../core/units/ladders';
import { lengthWords } from '../../core/units/lengths';
import { useExposureWords, useRawWords } from '../../live/report';
import { useDesk } from '../../live/desk';
import { Segmented } from '../../ui/segmented';
import { colour, radius, rem, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { NoRaw } from './no-raw';
import { decibelWords, pixelWords, valueWords } from './format';

const NAMES: Readonly<Record<SettingId, string>> = { shutter: 'Shutter', aperture: 'Aperture', iso: 'ISO' };

export function TradePanel() {
  const exposure = useExposureWords((e) => e);
  const equivalents = useRawWords((r) => r.equivalents);
  const trade = useDesk((d) => d.trade);
  const { startTrade, setWants, set } = useDesk.getState();
  const gives = trade?.gives ?? null;
  useEffect(() => {
    setWants({ equivalents: gives ?? 'iso' });
    return () => setWants({ equivalents: null });
  }, [gives, setWants]);
  if (!exposure) return <NoRaw />;
  const { plan, settings, outOfRangeEv } = exposure;
  const take = (moves: SettingId, row: Equivalent) => {
    if (!useDesk.getState().trade) startTrade(gives ?? 'iso');
    set(moves, nearestStep(LADDER_OF[moves], valueOf(row.settings, moves)));
  };
  return (
    <>
      <Segmented
        name="What gives way"
        choices={[
          { id: 'none', label: 'No trading' },
          ...tradable(plan).map((id) => ({
            id,
            label: NAMES[id],
            name: `${NAMES[id]} gives way`,
          })),
        ]}
        chosen={gives ?? 'none'}
        onChoose={(id) => startTrade(id === 'none' ? null : (id as SettingId))}
        testID="gives"
      />
      <Words kind="label" quiet testID="trade-words">
        {trade
          ? `Brightness is held. Move any setting: ${NAMES[trade.gives]} gives way, click for click.`
          : 'Choose what gives way; then a click here is a click there. Or take a row: same light, other costs.'}
      </Words>
      {trade && outOfRangeEv !== null && (
        <Words style={styles.missing} testID="trade-missing" role="status">
          {NAMES[trade.gives]} is at its end, {valueWords(trade.gives, valueOf(settings, trade.gives))}:{' '}
          {Math.abs(outOfRangeEv).toFixed(1)} EV too {outOfRangeEv > 0 ? 'bright' : 'dark'}
        </Words>
      )}
      {equivalents?.map((group) => (
        <View
          key={group.moves}
          role="table"
          aria-label={`${NAMES[group.moves]} for ${NAMES[group.gives]}`}
          style={styles.table}
          testID={`equivalents-${group.moves}`}
        >
          <View role="row" style={styles.head}>
            <Words role="columnheader" kind="label" quiet style={styles.settings}>
              {NAMES[group.moves]} for {NAMES[group.gives]}
            </Words>
            <View style={styles.costs}>
              {['Blur', 'Grey', 'Shadow', 'Sharp'].map((name) => (
                <Words
                  key={name}
                  role="columnheader"
                  kind="label"
                  quiet
                  style={name === 'Sharp' ? styles.depth : styles.cost}
                >
                  {name}
                </Words>
              ))}
            </View>
          </View>
          {group.rows.map((row) => (
            <Row
              key={row.clicks}
              row={row}
              moves={group.moves}
              gives={group.gives}
              onTake={() => take(group.moves, row)}
            />
          ))}
        </View>
      ))}
      <Words kind="label" quiet>
        Blur: the worst of hand or touch, what turns, and stars, in pixels of the capture. Grey and shadow:
        signal to noise of one pixel on mid-grey and four stops under it. Sharp: depth of field.
      </Words>
    </>
  );
}

function Row({
  row: { settings, effects, clicks },
  moves,
  gives,
  onTake,
}: {
  row: Equivalent;
  moves: SettingId;
  gives: SettingId;
  onTake: () => void;
}) {
  const lengths = useDesk((d) => d.lengths);
  const blurs = [
    { px: effects.shakePx, of: 'shake' },
    { px: effects.motionPx, of: 'motion' },
    { px: effects.trailPx, of: 'trails' },
  ].sort((a, b) => b.px - a.px);
  const blur = blurs[0]!;
  const name = `${valueWords(moves, valueOf(settings, moves))} · ${valueWords(gives, valueOf(settings, gives))}`;
  const depth = `${lengthWords(effects.nearM, lengths)}–${lengthWords(effects.farM, lengths)}`;
  return (
    <View role="row" style={[styles.row, clicks === 0 && styles.present]}>
      <View role="cell" style={styles.settings}>
        <Words style={clicks === 0 && styles.accent}>{name}</Words>
      </View>
      <View style={styles.costs}>
        <Words role="cell" kind="label" style={[styles.cost, blur.px > 8 && styles.warn]}>
          {pixelWords(blur.px)}
        </Words>
        <Words role="cell" kind="label" style={styles.cost}>
          {decibelWords(effects.greyDb)}
        </Words>
        <Words role="cell" kind="label" style={[styles.cost, effects.shadowDb < 10 && styles.warn]}>
          {decibelWords(effects.shadowDb)}
        </Words>
        <Words role="cell" kind="label" style={styles.depth}>
          {depth.replaceAll(' m', '')}
        </Words>
      </View>
      <View role="cell" style={StyleSheet.absoluteFill}>
        <Pressable
          role="button"
          aria-label={`Take ${name}: ${blur.of} ${pixelWords(blur.px)}`}
          onPress={onTake}
          testID={`row-${moves}-${clicks}`}
          style={StyleSheet.absoluteFill}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  missing: { color: colour.warn },
  table: { gap: 2 },
  head: { flexDirection: 'row', flexWrap: 'wrap', paddingHorizontal: space.one },
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    alignContent: 'center',
    // Two more for its line.
    minHeight: touch + 2,
    paddingHorizontal: space.one,
    borderRadius: radius,
    backgroundColor: colour.raised,
  },
  present: { borderWidth: 1, borderColor: colour.accent },
  accent: { color: colour.accent },
  // In a narrow panel what a row costs stands under what it sets.
  settings: { flexGrow: 1, flexBasis: rem(110) },
  costs: { flexGrow: 1, flexDirection: 'row', justifyContent: 'flex-end' },
  cost: { width: rem(50), textAlign: 'right' },
  depth: { width: rem(70), textAlign: 'right' },
  warn: { color: colour.warn },
});
