// The finder's panels: one at a time, each at the part that was chosen last.
import type { FaderId } from '../../live/desk-state';
import { useBody, useOptic } from '../../live/in-use';
import { CheckPanel, type CheckTab } from './check/check-panel';
import { FramePanel, type FrameTab } from './frame-panel';
import { KeyPanel } from './key-panel';
import type { PanelId } from './keys';
import { LadderPanel } from './ladder-panel';
import { MeterPanel, type MeterTab } from './meter-panel';
import { MorePanel, type MoreTab } from './more-panel';
import { OutsidePanel } from './outside-panel';
import { WhitePanel } from './white-panel';

/** A panel by its name, or the ladder of a fader. */
export type Opened = { readonly panel: PanelId } | { readonly ladder: FaderId };

/** The part of each panel that is shown, or will be when it opens. */
export interface PanelTabs {
  readonly meter: MeterTab;
  readonly more: MoreTab;
  readonly frame: FrameTab;
  readonly check: CheckTab;
}

export function Panels({
  opened,
  tabs,
  onTabs,
  onClose,
}: {
  opened: Opened;
  tabs: PanelTabs;
  onTabs: (changed: Partial<PanelTabs>) => void;
  onClose: () => void;
}) {
  // What a track lets be set of white is a temperature, and no more.
  const raw = useBody().evidence === 'raw';
  const wholeWhite = useOptic().whiteOnPicture === true || raw;
  if ('ladder' in opened)
    return opened.ladder === 'white' && wholeWhite ? (
      <WhitePanel onClose={onClose} />
    ) : (
      <LadderPanel key={opened.ladder} fader={opened.ladder} onClose={onClose} />
    );
  switch (opened.panel) {
    case 'outside':
      return <OutsidePanel onClose={onClose} />;
    case 'meter':
      return <MeterPanel tab={tabs.meter} onTab={(meter) => onTabs({ meter })} onClose={onClose} />;
    case 'frame':
      return <FramePanel tab={tabs.frame} onTab={(frame) => onTabs({ frame })} onClose={onClose} />;
    case 'check':
      return <CheckPanel tab={tabs.check} onTab={(check) => onTabs({ check })} onClose={onClose} />;
    case 'more':
      return <MorePanel tab={tabs.more} onTab={(more) => onTabs({ more })} onClose={onClose} />;
    case 'keys':
      return <KeyPanel onClose={onClose} />;
  }
}
