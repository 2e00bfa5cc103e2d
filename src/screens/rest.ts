// All that opens after the finder stands, in one script that is fetched when the finder is live: what these share is in it once.
import { CompareScreen } from './compare/compare-screen';
import { Panels } from './finder/panels';
import { FrameScreen } from './frame/frame-screen';
import { SheetScreen } from './sheet/sheet-screen';

export const rest = { CompareScreen, FrameScreen, Panels, SheetScreen } as const;
