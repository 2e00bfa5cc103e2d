// What goes wrong with focus, lens and framing, and what mends it. Bounds are the house's.
import { isLevel, rollWords } from '../body/attitude';
import { FAR_M } from '../units/ladders';
import { lengthWords } from '../units/lengths';
import type { LensFacts, Remedy, RemedyAction, RemedyCheck, Situation } from './situation';

/** The automatic focus saw nothing that gets sharp: the lens stands where most is. */
function focusNotFound({ focus, lengths }: Situation): Remedy | null {
  if (focus?.state !== 'failed') return null;
  const exact = Math.min(FAR_M, focus.focusM);
  const stands = lengthWords(focus.focusM, lengths);
  const wants =
    focus.why === 'dark' ? 'Too dark to focus on, wants light' : 'Too plain to focus on, wants an edge';
  return {
    kind: 'focus',
    says: `${wants}; the lens stands at ${stands}`,
    actions: [
      { label: `By hand at ${stands}`, changes: [{ setting: 'focus', value: { auto: false, exact } }] },
    ],
  };
}

/** Set by hand nearer than this lens can: it stands at its closest. */
function nearerThanTheLens({ focusSet, lens, lengths }: Situation): Remedy | null {
  const closest = lens.can.focus?.low;
  // A click is named by its usual figure.
  if (focusSet.auto || closest === undefined || focusSet.exact >= closest * 0.99) return null;
  const label = lengthWords(closest, lengths);
  return {
    kind: 'closest',
    says: `Focus ${lengthWords(focusSet.exact, lengths)} is nearer than this lens can`,
    actions: [
      {
        label: `${label}, the closest`,
        changes: [{ setting: 'focus', value: { auto: false, exact: closest } }],
      },
    ],
  };
}

/** What the person marked lies out of what is sharp, by the camera's own depth sensor. */
function outOfDepth({ focusSet, subjectM, effects, lens, lengths }: Situation): Remedy | null {
  if (focusSet.auto || subjectM === null) return null;
  const { nearM, farM } = effects;
  if (subjectM >= nearM && subjectM <= farM) return null;
  const words = (m: number) => lengthWords(m, lengths);
  const closest = lens.can.focus?.low;
  if (closest === undefined) return null;
  const exact = Math.max(closest, subjectM);
  return {
    kind: 'depth',
    says: `What is marked lies at ${words(subjectM)}; sharp is ${words(nearM)} to ${words(farM)}`,
    actions: [
      { label: `Focus at ${words(exact)}`, changes: [{ setting: 'focus', value: { auto: false, exact } }] },
      { label: 'Automatic', changes: [{ setting: 'focus', value: { auto: true } }] },
    ],
  };
}

/** A camera that is held nearly level is meant to be level. */
const MEANT_LEVEL_DEG = 10;
const TILTED_DEG = 1;

function tiltedHorizon({ held }: Situation): Remedy | null {
  if (!held || isLevel(held) || Math.abs(held.pitchDeg) > 45) return null;
  const off = Math.abs(held.rollDeg);
  if (off < TILTED_DEG || off > MEANT_LEVEL_DEG) return null;
  return {
    kind: 'horizon',
    says: `Horizon tilts: held ${rollWords(held)}`,
    actions: [{ label: 'Show the level', changes: [{ show: 'level' }] }],
  };
}

/** From here on a wider aperture is worth another lens, ISO. */
const DIM_ISO = 800;
const MORE_LIGHT = 1.5;
const LEAST_GAIN = 1.15;

/**
 * Another lens of the body that does better: a longer one in place of a cut, or in the dark one that gathers more light, cut to the same view. Light
 * goes by 1/N².
 */
function anotherLens({ lens, others, cut, settings }: Situation): Remedy | null {
  const shown = lens.equivalentMm * cut.times;
  const as = (other: LensFacts) => Math.max(1, shown / other.equivalentMm);
  const taken = (other: Situation['others'][number], label: string): RemedyAction => ({
    label,
    changes: [{ optic: other.id }, { setting: 'cut', value: { times: as(other) } }],
  });
  const longer = others
    .filter(({ equivalentMm: mm }) => mm > lens.equivalentMm * LEAST_GAIN && mm <= shown * 1.02)
    .sort((a, b) => b.equivalentMm - a.equivalentMm)[0];
  if (longer && settings.iso < DIM_ISO) {
    const finer = (longer.equivalentMm / lens.equivalentMm) ** 2;
    return {
      kind: 'lens',
      says: `${cut.times.toFixed(1)}× cut: the ${longer.equivalentMm} mm shows it with ${finer.toFixed(finer < 10 ? 1 : 0)} times the sites`,
      actions: [taken(longer, `${longer.equivalentMm} mm lens`)],
    };
  }
  const faster = others
    .filter((other) => other.equivalentMm < lens.equivalentMm && as(other) <= MOST_CUT_BY_ADVICE)
    .sort((a, b) => a.apertureN - b.apertureN)[0];
  if (!faster || settings.iso < DIM_ISO) return null;
  const light = (lens.apertureN / faster.apertureN) ** 2;
  if (light < MORE_LIGHT) return null;
  return {
    kind: 'lens',
    says: `ISO ${Math.round(settings.iso)}: the ${faster.equivalentMm} mm gathers ${light.toFixed(1)} times the light, cut ${as(faster).toFixed(1)}×`,
    actions: [taken(faster, `${faster.equivalentMm} mm, cut`)],
  };
}
const MOST_CUT_BY_ADVICE = 4;

/** What a picture looked at whole on a small screen shows: 640 × 480. */
const LEAST_DETAIL = 640 * 480;

/** A digital zoom that leaves more sites than there is detail for: what is blurred over several of them is told by no more of them. */
function emptyZoom({ cut, sites, effects }: Situation): Remedy | null {
  if (cut.times <= 1) return null;
  const blurPx = Math.max(1, effects.airyPx / 2, effects.shakePx, effects.motionPx);
  const detail = sites / (blurPx * blurPx);
  if (detail >= LEAST_DETAIL) return null;
  const times = Math.max(1, cut.times * Math.sqrt(detail / LEAST_DETAIL));
  const left = `${(sites / 1e6).toFixed(1)} MP`;
  return {
    kind: 'detail',
    says: `${cut.times.toFixed(1)}× cut leaves ${left}${blurPx > 1.5 ? ` blurred by ${blurPx.toFixed(0)} px` : ''}: detail for ${(detail / 1e6).toFixed(2)} MP`,
    actions: [
      {
        label: times > 1.05 ? `${times.toFixed(1)}×` : 'Whole frame',
        changes: [{ setting: 'cut', value: { times } }],
      },
    ],
  };
}

export const FOCUS_CHECKS: readonly RemedyCheck[] = [focusNotFound, nearerThanTheLens, outOfDepth];
export const FRAMING_CHECKS: readonly RemedyCheck[] = [tiltedHorizon, emptyZoom, anotherLens];
