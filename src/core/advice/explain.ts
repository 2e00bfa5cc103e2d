// What a setting does, in two sentences with a number of the present scene: for people who are learning.
import { extendedStops, type ExposureSettings, type SettingId } from '../exposure/settings';
import { APERTURE_LADDER, formatThirds, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../units/ladders';
import { lengthWords, type LengthUnit } from '../units/lengths';
import type { Effects } from './effects';

export type Explained = SettingId | 'compensation' | 'focus';

export interface Present {
  readonly settings: ExposureSettings;
  readonly effects: Effects;
  readonly headroomEv: number;
  readonly allManual: boolean;
  readonly focusM: number;
  readonly lengths: LengthUnit;
}

export function explain(what: Explained, present: Present): string {
  return WORDS[what](present);
}

const WORDS: Readonly<Record<Explained, (present: Present) => string>> = {
  shutter: ({ settings, effects }) => {
    const time = stepOf(SHUTTER_LADDER, settings.shutterS).label;
    const blurs = [
      Number.isFinite(effects.steadyS)
        ? `your hand blurs about ${px(effects.shakePx)} (four of five presses ${range(effects.shakeRangePx)})`
        : `the touch blurs ${px(effects.shakePx)}`,
      effects.motionPx > 0 && `what turns moves ${px(effects.motionPx)}`,
      effects.trailPx > 0 && `stars draw ${px(effects.trailPx)}`,
    ].filter(Boolean);
    return `Open twice as long, the sensor gets twice the light, and whatever moves is drawn twice as long. At ${time} ${blurs.join(', ')}.`;
  },
  iso: ({ settings, effects }) => {
    const iso = stepOf(ISO_LADDER, settings.iso).label;
    const pulled = extendedStops(settings.iso);
    const note =
      pulled > 0
        ? `ISO ${iso} is the raw data of 100 with a picture ${pulled.toFixed(1)} EV darker`
        : `At ${iso} mid-grey stands ${db(effects.greyDb)} over its noise, a shadow four stops down ${db(effects.shadowDb)}`;
    return `A higher ISO needs less light for the same picture, so there is more noise and raw clips sooner. ${note}.`;
  },
  aperture: ({ settings, effects, lengths }) => {
    const n = stepOf(APERTURE_LADDER, settings.apertureN).label;
    return `A smaller number opens the lens: more light, less depth. At ${n} it is sharp from ${lengthWords(effects.nearM, lengths)} to ${lengthWords(effects.farM, lengths)}, with a diffraction disc of ${px(effects.airyPx)}.`;
  },
  compensation: ({ settings, headroomEv, allManual }) => {
    const ev = settings.compensationEv;
    const room = Number.isFinite(headroomEv)
      ? `highlights ${headroomEv < 0 ? `clip by ${(-headroomEv).toFixed(1)} EV` : `have ${headroomEv.toFixed(1)} EV left`}`
      : 'nothing is bright';
    const does = allManual
      ? 'With everything set by hand it moves no setting, only the zero of the scale'
      : '+1 asks the automatic for twice the light that the meter calls right';
    return `${does}. At ${formatThirds(ev)} the ${room}.`;
  },
  focus: ({ effects, focusM, lengths }) =>
    `What lies at this distance is sharpest, and sharpness falls off in front of it and behind. At ${lengthWords(focusM, lengths)} it is sharp from ${lengthWords(effects.nearM, lengths)} to ${lengthWords(effects.farM, lengths)}.`,
};

function px(n: number): string {
  return `${n >= 10 ? n.toFixed(0) : n.toFixed(1)} px`;
}

function range([low, high]: readonly [number, number]): string {
  const digits = high >= 10 ? 0 : 1;
  return `${low.toFixed(digits)}–${high.toFixed(digits)}`;
}

function db(n: number): string {
  return `${n < 0 ? '−' : ''}${Math.abs(n).toFixed(0)} dB`;
}
