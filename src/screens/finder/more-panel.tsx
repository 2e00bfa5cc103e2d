// Everything of exposure that is not on the screen all the time, one movement away.
import { ScrollView, StyleSheet } from 'react-native';
import { Segmented } from '../../ui/segmented';
import { SlidePanel } from '../../ui/slide-panel';
import { space } from '../../ui/theme';
import { AutomaticPanel } from './automatic-panel';
import { CameraPanel } from './camera-panel';
import { FilterPanel } from './filter-panel';
import { RemedyList } from './remedies';
import { SetupsPanel } from './setups-panel';
import { TradePanel } from './trade-panel';

export const MORE_TABS = [
  { id: 'trade', label: 'Trade' },
  { id: 'setups', label: 'Setups' },
  { id: 'remedies', label: 'Remedies' },
  { id: 'automatic', label: 'Automatic' },
  { id: 'filter', label: 'Filter' },
  { id: 'camera', label: 'Camera' },
] as const;
export type MoreTab = (typeof MORE_TABS)[number]['id'];

export function MorePanel({
  tab,
  onTab,
  onClose,
}: {
  tab: MoreTab;
  onTab: (tab: MoreTab) => void;
  onClose: () => void;
}) {
  return (
    <SlidePanel title="More" onClose={onClose} height={0.74}>
      <Segmented
        name="More"
        choices={MORE_TABS}
        chosen={tab}
        onChoose={onTab}
        columns={3}
        testID="more-tab"
      />
      <ScrollView key={tab} style={styles.scroll} contentContainerStyle={styles.body} tabIndex={0}>
        {tab === 'trade' && <TradePanel />}
        {tab === 'setups' && <SetupsPanel />}
        {tab === 'remedies' && <RemedyList />}
        {tab === 'automatic' && <AutomaticPanel />}
        {tab === 'filter' && <FilterPanel />}
        {tab === 'camera' && <CameraPanel />}
      </ScrollView>
    </SlidePanel>
  );
}

const styles = StyleSheet.create({
  scroll: { flexShrink: 1, marginTop: space.one },
  body: { gap: space.one },
});
