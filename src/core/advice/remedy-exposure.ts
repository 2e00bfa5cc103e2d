// What will go wrong with the present exposure, by how much, and what mends it, with the values it will set. Bounds without a source are the
// house's.
import { carrierOf, isAllManual, LADDER_OF } from '../exposure/automatic';
import { BASE_ISO, extendedStops, type ExposureSettings, type SettingId } from '../exposure/settings';
import {
  APERTURE_LADDER,
  at,
  COMPENSATION_LADDER,
  formatEv,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
  stepOf,
} from '../units/ladders';
import type { PatternId } from '../meter/pattern';
import { bandEv } from './effects';
import { valueOf } from './equivalents';
import type { DeskChange, Remedy, RemedyAction, RemedyCheck, Situation } from './situation';

/** Blur that shows when the picture is looked at whole, pixels of 12 MP. */
const MOVING_PX = 8;
/** What a moving thing is frozen to, pixels. */
const FROZEN_PX = 2;
const TOUCH_PX = 1.5;
const BANDS_EV = 0.1;
const NO_BANDS_EV = 0.04;
const SPOT_EV = 1.5;
const SOFT_AIRY_PX = 2;
/** Release delay that lets a tripod come to rest, s. */
const REST_S = 2;

function outOfRange({ outOfRangeEv, controls, plan, rules, settings }: Situation): Remedy | null {
  if (outOfRangeEv === null) return null;
  const bright = outOfRangeEv > 0;
  const by = Math.abs(outOfRangeEv);
  const says = `Out of range: too ${bright ? 'bright' : 'dark'} by ${by.toFixed(1)} EV`;
  const hand = (['shutter', 'iso', 'aperture'] as const).find(
    (id) => !controls[id].auto && (id !== 'aperture' || plan.fixedN === null),
  );
  const actions: RemedyAction[] = [];
  if (hand) actions.push({ label: `${NAMES[hand]} automatic`, changes: [{ fader: hand, index: 'auto' }] });
  const stops = Math.ceil(by) + (settings.filterStops ?? 0);
  if (bright)
    actions.push({ label: `Filter, ${stops} stops`, changes: [{ setting: 'filterStops', value: stops }] });
  else if (settings.filterStops)
    actions.push({ label: 'Filter off', changes: [{ setting: 'filterStops', value: 0 }] });
  else {
    // A setting whose bound is the person's own, not the camera's, can be let go further by hand.
    const wanted = Math.max(-5, controls.compensationEv - Math.ceil(by * 3) / 3);
    actions.push({
      label: `Keep it dark: ${formatThirds(wanted)}`,
      changes: [{ fader: 'compensation', index: nearestStep(COMPENSATION_LADDER, wanted) }],
    });
    const most = at(ISO_LADDER, ISO_LADDER.length - 1).exact;
    if (controls.iso.auto && rules.iso[1] < most) {
      const label = `ISO ${stepOf(ISO_LADDER, most).label}`;
      actions.unshift({ label, changes: [{ fader: 'iso', index: ISO_LADDER.length - 1 }] });
    }
  }
  return { kind: 'range', says, actions };
}

/** Highlights past clip: shorten, or compensate, by whole thirds until no more than the person's share burns. */
function clipping(situation: Situation): Remedy | null {
  const { controls, headroomEv, clippedOfFrame, burntShare, settings, plan } = situation;
  // Less than a twentieth of a stop is not worth a word.
  if (headroomEv > -0.05) return null;
  const percent = 100 * clippedOfFrame;
  const share = percent < 0.05 ? `more than ${100 * burntShare}` : percent.toFixed(percent < 10 ? 1 : 0);
  const says = `Raw clips ${share} %, over by ${(-headroomEv).toFixed(1)} EV`;
  const thirds = Math.floor(headroomEv * 3 + 1e-6);
  const actions: RemedyAction[] = [];
  if (carrierOf(controls, plan.fixedN === null) === 'shutter') {
    const index = nearestStep(SHUTTER_LADDER, settings.shutterS) + thirds;
    if (index >= 0)
      actions.push({
        label: `Shorten to ${at(SHUTTER_LADDER, index).label}`,
        changes: [{ fader: 'shutter', index }],
      });
  } else {
    const wanted = controls.compensationEv + thirds / 3;
    if (wanted >= -5 - 1e-9)
      actions.push({
        label: `Compensate ${formatThirds(wanted)}`,
        changes: [{ fader: 'compensation', index: nearestStep(COMPENSATION_LADDER, wanted) }],
      });
    if (situation.pattern !== 'highlight' && !situation.locked)
      actions.push({
        label: 'Meter the highlights',
        changes: [
          { setting: 'meter', value: { pattern: 'highlight' } },
          { fader: 'compensation', index: 'auto' },
        ],
      });
  }
  if (actions.length === 0) {
    const stops = Math.ceil(-headroomEv) + (settings.filterStops ?? 0);
    actions.push({ label: `Filter, ${stops} stops`, changes: [{ setting: 'filterStops', value: stops }] });
  }
  return { kind: 'clipping', says, actions };
}

/** Everything manual and a stop or more from the meter. */
function offTheMeter({ controls, plan, deviationEv, settings }: Situation): Remedy | null {
  if (!isAllManual(controls, plan.fixedN === null) || Math.abs(deviationEv) < 1) return null;
  const index = nearestStep(SHUTTER_LADDER, settings.shutterS) - Math.round(deviationEv * 3);
  const reachable = index >= 0 && index < SHUTTER_LADDER.length;
  return {
    kind: 'meter',
    says: `${Math.abs(deviationEv).toFixed(1)} EV ${deviationEv > 0 ? 'over' : 'under'} the meter`,
    actions: [
      reachable
        ? { label: `Shutter ${at(SHUTTER_LADDER, index).label}`, changes: [{ fader: 'shutter', index }] }
        : { label: 'ISO automatic', changes: [{ fader: 'iso', index: 'auto' }] },
    ],
  };
}

function doubtful({ doubt, locked, pattern }: Situation): Remedy | null {
  if (!doubt || locked) return null;
  const bright = doubt === 'clipped';
  const other: PatternId = pattern === 'whole' ? 'centre' : 'whole';
  return {
    kind: 'doubt',
    says: bright
      ? 'Uncertain: what is read is brighter than the meter can see'
      : 'Uncertain: what is read is lost in the meter’s noise',
    actions: [{ label: `Meter ${other}`, changes: [{ setting: 'meter', value: { pattern: other } }] }],
  };
}

/**
 * A white surface is log2(1/0.18) = 2.5 stops over mid-grey; half as much again for light that falls unevenly (practice). What is brighter is a
 * light or a fire: made grey it keeps its detail, and nobody wants it lifted.
 */
const BRIGHTEST_SURFACE_EV = 4;

/** A spot on something far from the frame's mean: the meter would make it grey. */
function spotOffTheFrame({ pattern, readingEv100, wholeEv100, controls, locked }: Situation): Remedy | null {
  if (pattern !== 'spot' || locked) return null;
  const over = readingEv100 - wholeEv100;
  if (!Number.isFinite(over) || over > BRIGHTEST_SURFACE_EV) return null;
  if (Math.abs(over - controls.compensationEv) < SPOT_EV) return null;
  const wanted = Math.min(5, Math.max(-5, Math.round(over * 3) / 3));
  return {
    kind: 'spot',
    says: `The spot is ${Math.abs(over).toFixed(1)} ${over < 0 ? 'under' : 'over'} mid-grey of the frame, and is made grey`,
    actions: [
      {
        label: `Compensate ${formatThirds(wanted)}`,
        changes: [{ fader: 'compensation', index: nearestStep(COMPENSATION_LADDER, wanted) }],
      },
    ],
  };
}

function shake(situation: Situation): Remedy | null {
  const { effects, settings, rules } = situation;
  const limit = effects.steadyS * 2 ** (rules.steadyThirds / 3);
  if (settings.shutterS <= limit * 2 ** 0.25) return null;
  const says = `Shake: about ${pixels(effects.shakePx)} at ${timeWords(settings)} by hand`;
  return { kind: 'shake', says, actions: [withTime(situation, nearestStep(SHUTTER_LADDER, limit))] };
}

function motion(situation: Situation): Remedy | null {
  const { effects, settings } = situation;
  if (effects.motionPx < MOVING_PX) return null;
  const says = `Motion: ${pixels(effects.motionPx)} at ${timeWords(settings)}`;
  const frozen = settings.shutterS * (FROZEN_PX / effects.motionPx);
  return { kind: 'motion', says, actions: [withTime(situation, shortest(situation, frozen))] };
}

function trails(situation: Situation): Remedy | null {
  const { effects, settings } = situation;
  if (effects.trailPx < MOVING_PX) return null;
  const says = `Star trails: ${pixels(effects.trailPx)} at ${timeWords(settings)}`;
  const pointlike = settings.shutterS * ((MOVING_PX * 0.75) / effects.trailPx);
  return { kind: 'trails', says, actions: [withTime(situation, shortest(situation, pointlike))] };
}

function flicker(situation: Situation): Remedy | null {
  const { effects, settings } = situation;
  const { bands } = effects;
  if (!bands || bands.ev < BANDS_EV) return null;
  const now = nearestStep(SHUTTER_LADDER, settings.shutterS);
  const calm = (index: number) => {
    const { exact } = at(SHUTTER_LADDER, index);
    // The same lamp at another time: amplitudes compare as their bands do.
    return (bands.ev * bandEv(bands.hz, 0.5, exact)) / bandEv(bands.hz, 0.5, settings.shutterS) < NO_BANDS_EV;
  };
  const index = [...SHUTTER_LADDER.keys()]
    .sort((a, b) => Math.abs(a - now) - Math.abs(b - now))
    .find((i) => calm(i));
  const says = `Bands of the ${bands.hz} Hz lamp: ${bands.ev.toFixed(1)} EV at ${timeWords(settings)}`;
  return { kind: 'flicker', says, actions: [withTime(situation, index ?? now)] };
}

/** On a tripod the touch of the press itself. */
function touch({ effects, settings, delayS }: Situation): Remedy | null {
  if (Number.isFinite(effects.steadyS) || delayS > 0 || effects.shakePx < TOUCH_PX) return null;
  return {
    kind: 'touch',
    says: `The touch blurs about ${pixels(effects.shakePx)} at ${timeWords(settings)}`,
    actions: [{ label: `Release after ${REST_S} s`, changes: [{ setting: 'delayS', value: REST_S }] }],
  };
}

function noise(situation: Situation): Remedy | null {
  const { settings, rules, effects } = situation;
  if (settings.iso <= rules.isoCeiling * 2 ** 0.1) return null;
  const over = Math.log2(settings.iso / rules.isoCeiling);
  const says = `ISO ${isoLabel(settings.iso)}, ${formatEv(over).slice(1)} EV over your ceiling: shadows at ${decibels(effects.shadowDb)}`;
  const clicks = nearestStep(ISO_LADDER, settings.iso) - nearestStep(ISO_LADDER, rules.isoCeiling);
  const index = nearestStep(SHUTTER_LADDER, settings.shutterS) + clicks;
  const iso = nearestStep(ISO_LADDER, rules.isoCeiling);
  return {
    kind: 'noise',
    says,
    actions: [
      {
        label: `ISO ${at(ISO_LADDER, iso).label} · ${at(SHUTTER_LADDER, index).label}`,
        changes: [
          { fader: 'iso', index: iso },
          {
            fader: 'shutter',
            index: situation.controls.shutter.auto ? 'auto' : Math.min(index, SHUTTER_LADDER.length - 1),
          },
        ],
      },
    ],
  };
}

function diffraction({ plan, effects, settings, controls }: Situation): Remedy | null {
  if (plan.fixedN !== null || effects.airyPx <= SOFT_AIRY_PX) return null;
  const now = nearestStep(APERTURE_LADDER, settings.apertureN);
  const wanted = nearestStep(APERTURE_LADDER, (settings.apertureN * SOFT_AIRY_PX) / effects.airyPx);
  const index = Math.max(wanted, now + 1);
  const shutter = nearestStep(SHUTTER_LADDER, settings.shutterS) - (index - now);
  const balance: DeskChange[] =
    isAllManual(controls, true) && shutter >= 0 ? [{ fader: 'shutter', index: shutter }] : [];
  return {
    kind: 'diffraction',
    says: `Diffraction: a disc of ${pixels(effects.airyPx)} at ${stepOf(APERTURE_LADDER, settings.apertureN).label}`,
    actions: [
      {
        label: at(APERTURE_LADDER, index).label,
        changes: [{ fader: 'aperture', index }, ...balance],
      },
    ],
  };
}

function extended({ settings, controls }: Situation): Remedy | null {
  const stops = extendedStops(settings.iso);
  if (stops === 0) return null;
  const index = nearestStep(ISO_LADDER, BASE_ISO);
  const shutter = nearestStep(SHUTTER_LADDER, settings.shutterS) - Math.round(3 * stops);
  return {
    kind: 'extended',
    says: `ISO ${isoLabel(settings.iso)} is extended: raw as at ${BASE_ISO}, so clip comes ${stops.toFixed(1)} EV earlier`,
    actions: [
      {
        label: `ISO ${BASE_ISO}`,
        changes: [
          { fader: 'iso', index },
          ...(controls.shutter.auto || shutter < 0 ? [] : [{ fader: 'shutter' as const, index: shutter }]),
        ],
      },
    ],
  };
}

/** In the order of how bad it is. */
export const EXPOSURE_CHECKS = {
  worst: [outOfRange, clipping, offTheMeter, doubtful],
  usual: [spotOffTheFrame, shake, motion, flicker, trails, touch, noise, diffraction, extended],
} satisfies Readonly<Record<string, readonly RemedyCheck[]>>;

const NAMES: Readonly<Record<SettingId, string>> = { shutter: 'Shutter', iso: 'ISO', aperture: 'Aperture' };

function pixels(px: number): string {
  return `${px >= 10 ? px.toFixed(0) : px.toFixed(1).replace(/\.0$/, '')} px`;
}

function decibels(db: number): string {
  return `${db < 0 ? '−' : ''}${Math.abs(db).toFixed(0)} dB`;
}

function timeWords({ shutterS }: ExposureSettings): string {
  return stepOf(SHUTTER_LADDER, shutterS).label;
}

function isoLabel(iso: number): string {
  return stepOf(ISO_LADDER, iso).label;
}

/** The wanted time, or the shortest that ISO can still make up for. */
function shortest({ settings, plan }: Situation, wantedS: number): number {
  const now = nearestStep(SHUTTER_LADDER, settings.shutterS);
  const room = plan.ranges.iso.high - nearestStep(ISO_LADDER, settings.iso);
  const wanted = nearestStep(SHUTTER_LADDER, wantedS);
  return Math.min(now - 1, Math.max(wanted, now - Math.max(0, room)));
}

/** Another time by hand; ISO follows, or an aperture that is automatic. */
function withTime({ controls, settings, plan }: Situation, index: number): RemedyAction {
  const time = at(SHUTTER_LADDER, index);
  const clicks = nearestStep(SHUTTER_LADDER, valueOf(settings, 'shutter')) - index;
  const iso = nearestStep(LADDER_OF.iso, settings.iso) + clicks;
  const held = Math.min(plan.ranges.iso.high, Math.max(plan.ranges.iso.low, iso));
  const follows = plan.fixedN === null && controls.aperture.auto && !controls.iso.auto;
  return {
    label: follows ? time.label : `${time.label} · ISO ${at(ISO_LADDER, held).label}`,
    changes: [
      { fader: 'shutter', index },
      ...(follows ? [] : [{ fader: 'iso' as const, index: 'auto' as const }]),
    ],
  };
}
