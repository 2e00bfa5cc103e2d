// The live desk: what is set, by subject. One store, selected in small parts.
import { create } from 'zustand';
import { checkSlice } from './check-slice';
import type { Desk } from './desk-state';
import { exposureSlice } from './exposure-slice';
import { focusSlice } from './focus-slice';
import { framingSlice } from './framing-slice';
import { meterSlice } from './meter-slice';
import { pageSlice } from './page-slice';
import { rollSlice } from './roll-slice';
import { settingsSlice } from './settings-slice';
import { whiteSlice } from './white-slice';

export const useDesk = create<Desk>()((set, get) => ({
  ...settingsSlice(set, get),
  ...exposureSlice(set, get),
  ...meterSlice(set, get),
  ...focusSlice(set, get),
  ...framingSlice(set, get),
  ...whiteSlice(set, get),
  ...checkSlice(set, get),
  ...rollSlice(set, get),
  ...pageSlice(set, get),
  restore: (kept) => set(kept),
}));
