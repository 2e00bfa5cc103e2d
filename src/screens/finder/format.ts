// Figures of the finder as words.
import {
  APERTURE_LADDER,
  formatEv,
  formatThirds,
  ISO_LADDER,
  nominalKelvin,
  SHUTTER_LADDER,
  stepOf,
  ZOOM_LADDER,
} from '../../core/units/ladders';
import type { FitPlan } from '../../core/advice/fit';
import { whiteWords } from '../../core/colour/temperature';
import type { RingReading } from '../../core/white/ring';
import type { ExposureSettings } from '../../core/exposure/settings';
import type { RangeReport } from '../../core/sequence/plan-bracket';
import { lengthWords, type LengthUnit } from '../../core/units/lengths';
import type { FaderId } from '../../live/desk-state';

export function valueWords(fader: FaderId, exact: number, lengths?: LengthUnit): string {
  if (fader === 'shutter') return stepOf(SHUTTER_LADDER, exact).label;
  if (fader === 'iso') return stepOf(ISO_LADDER, exact).label;
  if (fader === 'aperture') return stepOf(APERTURE_LADDER, exact).label;
  if (fader === 'focus') return lengthWords(exact, lengths);
  // Its unit stands with its name.
  if (fader === 'white') return String(nominalKelvin(exact));
  if (fader === 'zoom') return stepOf(ZOOM_LADDER, exact).label;
  return formatThirds(exact);
}

/** A whole number with its sign. */
export function signedWords(value: number): string {
  const whole = Math.round(value);
  return whole > 0 ? `+${whole}` : whole < 0 ? `−${-whole}` : '0';
}

/** A tint with its sign and its direction. */
export function tintWords(tint: number): string {
  const words = signedWords(tint);
  return words === '0' ? words : `${words}, ${tint > 0 ? 'green' : 'magenta'}`;
}

/** A share of the frame: two figures that matter, never "0 %" for something that is there. */
export function percentWords(share: number): string {
  const percent = share * 100;
  if (percent === 0) return '0 %';
  if (percent < 0.01) return '< 0.01 %';
  return `${percent.toFixed(percent < 1 ? 2 : percent < 10 ? 1 : 0)} %`;
}

export function luminanceWords(luminance: number): string {
  if (luminance === 0) return '0 cd/m²';
  if (luminance >= 1000) return `${Math.round(luminance / 10) * 10} cd/m²`;
  return `${luminance >= 100 ? luminance.toFixed(0) : luminance.toPrecision(2)} cd/m²`;
}

export function headroomWords(headroomEv: number): string {
  if (!Number.isFinite(headroomEv)) return 'black';
  return headroomEv < 0 ? `over by ${(-headroomEv).toFixed(1)} EV` : `headroom ${formatEv(headroomEv)} EV`;
}

/** The same where there is room for a figure only: what is over has a minus. */
export function headroomFigure(headroomEv: number): string {
  return Number.isFinite(headroomEv) ? `${formatEv(headroomEv)} EV` : 'black';
}

export function luxWords(lux: number): string {
  if (lux >= 1000) return `${(Math.round(lux / 10) * 10).toLocaleString('en').replaceAll(',', ' ')} lx`;
  return `${lux >= 100 ? lux.toFixed(0) : Number(lux.toPrecision(2))} lx`;
}

/** 1/125 · f/4 · ISO 100; the aperture only where it can be set. */
export function settingsWords({ shutterS, iso, apertureN }: ExposureSettings, iris: boolean): string {
  const aperture = iris ? [valueWords('aperture', apertureN)] : [];
  return [valueWords('shutter', shutterS), ...aperture, `ISO ${valueWords('iso', iso)}`].join(' · ');
}

export function decibelWords(db: number): string {
  return `${db < 0 ? '−' : ''}${Math.abs(db).toFixed(0)} dB`;
}

export function pixelWords(px: number): string {
  if (px < 0.05) return '0 px';
  return `${px >= 10 ? px.toFixed(0) : px.toFixed(1)} px`;
}

/** "scene 10.2 in 9.5 EV: 2 frames", or that one holds it. */
export function rangeWords({ sceneEv, sensorEv, frames }: RangeReport): string {
  const scene = Number.isFinite(sceneEv) ? sceneEv.toFixed(1) : '> 40';
  const count = frames === null ? 'too wide' : frames === 1 ? 'fits' : `${frames} frames`;
  return `scene ${scene} in ${sensorEv.toFixed(1)} EV: ${count}`;
}

/** Sites with thin spaces between thousands. */
export function countWords(count: number): string {
  return Math.round(count).toLocaleString('en').replaceAll(',', ' ');
}

export function shareWords(share: number): string {
  return `${Number((share * 100).toPrecision(3))} %`;
}

/** As a sentence begins. */
export function capital(text: string): string {
  return text.slice(0, 1).toUpperCase() + text.slice(1);
}

export function fitLabel(fit: FitPlan | null): string {
  if (!fit) return 'Nothing to fit';
  if (fit.thirds === 0) return fit.missing === 0 ? 'Fits' : 'Cannot go further';
  return `Fit ${formatThirds(fit.thirds / 3)}`;
}

/** What the ring says, and whether it can be taken. */
export function ringWords(reading: RingReading | null): string {
  if (!reading) return 'Reading…';
  return reading.kind === 'white' ? whiteWords(reading.white) : reading.why;
}
