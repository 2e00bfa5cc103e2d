// Checking before the press, one movement away: what is marked, how it is counted, how far one can go, and how it is shown.
import { Segmented } from '../../../ui/segmented';
import { Panel, PanelScroll } from '../../../ui/panel';
import { ComparePanel } from './compare-panel';
import { FitPanel } from './fit-panel';
import { HistogramPanel } from './histogram-panel';
import { MarksPanel } from './marks-panel';
import { ViewPanel } from './view-panel';

export const CHECK_TABS = [
  { id: 'marks', label: 'Marks' },
  { id: 'scopes', label: 'Scopes' },
  { id: 'fit', label: 'Fit' },
  { id: 'compare', label: 'Compare' },
  { id: 'view', label: 'View' },
] as const;
export type CheckTab = (typeof CHECK_TABS)[number]['id'];

export function CheckPanel({
  tab,
  onTab,
  onClose,
}: {
  tab: CheckTab;
  onTab: (tab: CheckTab) => void;
  onClose: () => void;
}) {
  return (
    <Panel
      title="Check"
      onClose={onClose}
      tabs={<Segmented name="Check" choices={CHECK_TABS} chosen={tab} onChoose={onTab} testID="check-tab" />}
    >
      <PanelScroll key={tab} name={tab}>
        {tab === 'marks' && <MarksPanel />}
        {tab === 'scopes' && <HistogramPanel />}
        {tab === 'fit' && <FitPanel />}
        {tab === 'compare' && <ComparePanel />}
        {tab === 'view' && <ViewPanel onClose={onClose} />}
      </PanelScroll>
    </Panel>
  );
}
