// The list of all settings. Desk, order, setups, memory, terminal and its help, remedies' changes, record and Exif are read from it.
import type { Setting } from '../define/setting';
import { DRIVE_SETTINGS } from '../sequence/drives';
import { aperture } from './aperture';
import { compensationEv } from './compensation';
import { cut } from './cut';
import { delayS } from './delay';
import { files } from './files';
import { filterStops } from './filter';
import { focus } from './focus';
import { iso } from './iso';
import { meter } from './meter';
import { pictures } from './pictures';
import { print } from './print';
import { rules } from './rules';
import { shutter } from './shutter';
import { torch } from './torch';
import { white } from './white';
import { zoom } from './zoom';

export const SETTINGS = {
  shutter,
  iso,
  aperture,
  compensationEv,
  focus,
  cut,
  meter,
  rules,
  filterStops,
  delayS,
  ...DRIVE_SETTINGS,
  files,
  white,
  zoom,
  torch,
  pictures,
  print,
} as const;

export type SettingKey = keyof typeof SETTINGS;

/** A value for every setting. */
export type SettingValues = {
  readonly [K in SettingKey]: (typeof SETTINGS)[K] extends Setting<infer T> ? T : never;
};
