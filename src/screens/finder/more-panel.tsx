// Everything of exposure that is not on the screen all the time, one movement away.
import { Segmented } from '../../ui/segmented';
import { Panel, PanelScroll } from '../../ui/panel';
import { AutomaticPanel } from './automatic-panel';
import { CameraPanel } from './camera-panel';
import { DrivePanel } from './drive-panel';
import { FilterPanel } from './filter-panel';
import { PrintPanel } from './print-panel';
import { RemedyList } from './remedies';
import { RollPanel } from './roll-panel';
import { SetupsPanel } from './setups-panel';
import { TradePanel } from './trade-panel';

export const MORE_TABS = [
  { id: 'drive', label: 'Drive' },
  { id: 'roll', label: 'Roll' },
  { id: 'trade', label: 'Trade' },
  { id: 'print', label: 'Print' },
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
    <Panel
      title="More"
      onClose={onClose}
      tabs={<Segmented name="More" choices={MORE_TABS} chosen={tab} onChoose={onTab} testID="more-tab" />}
    >
      <PanelScroll key={tab} name={tab}>
        {tab === 'drive' && <DrivePanel />}
        {tab === 'roll' && <RollPanel />}
        {tab === 'trade' && <TradePanel />}
        {tab === 'print' && <PrintPanel />}
        {tab === 'setups' && <SetupsPanel />}
        {tab === 'remedies' && <RemedyList />}
        {tab === 'automatic' && <AutomaticPanel />}
        {tab === 'filter' && <FilterPanel />}
        {tab === 'camera' && <CameraPanel />}
      </PanelScroll>
    </Panel>
  );
}
