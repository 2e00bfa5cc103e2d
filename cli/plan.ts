import {
  movedBackgroundM,
  planDepth,
  sameSizeM,
  type DepthPlan,
  type PlanLens,
} from '../src/core/optics/depth-plan';
import { digitallyZoomed } from '../src/core/scene/digital-zoom';
import { opticsOf, OPTICS } from '../src/core/sensor/cameras';
import { LENS_IDS, type SimulatedOptic } from '../src/core/sensor/simulated-optic';
import { lengthWords } from '../src/core/units/lengths';
import { choice, numberOf, UsageError, type Arguments } from './arguments';
import { settingsAsked } from './exposure';
import { hyperfocalM } from '../src/core/optics/lens';
import { HYPERFOCAL } from '../src/core/setting/focus';

const KINDS = ['depth'] as const;

/** What a lens at a distance will show, and where each other lens of its camera shows the subject as large. */
export function plan(args: Arguments): number {
  const [kind] = args.rest;
  if (!KINDS.some((known) => known === kind))
    throw new UsageError(`plan is ${KINDS.join(' or ')}, not ${kind ?? 'nothing'}`);
  const camera = OPTICS[choice(args, 'lens', LENS_IDS, 'wide')];
  const settings = settingsAsked(args, camera);
  const seen = digitallyZoomed(camera, settings.cut.times);
  const of = planLens(seen, settings.aperture.auto ? seen.lens.apertureN : settings.aperture.exact);
  const focusM =
    args.flags.get('focus') === HYPERFOCAL ? hyperfocalM(of, of.sensor) : metres(args, 'focus', 2);
  const backgroundM = metres(args, 'background', Infinity);
  const told = planDepth(of, focusM, backgroundM);
  const others = opticsOf(camera.id)
    .filter(({ lensId }) => lensId !== camera.lensId)
    .map((other) => {
      const lens = planLens(other, of.apertureN);
      const distanceM = sameSizeM(of, focusM, lens);
      const behindM = movedBackgroundM(focusM, backgroundM, distanceM);
      return {
        lens: other.lensId,
        distanceM,
        ...(behindM === null ? { unknown: NO_BACKGROUND } : planDepth(lens, distanceM, behindM)),
        outOfReach: outOfReach(other, distanceM),
      };
    });
  const report = {
    lens: camera.lensId,
    equivalentMm: seen.equivalentMm,
    apertureN: of.apertureN,
    focusM,
    backgroundM,
    ...told,
    outOfReach: outOfReach(camera, focusM),
    sameSize: others,
  };
  if (args.json) console.log(JSON.stringify(report, (_, v: unknown) => (v === Infinity ? null : v)));
  else {
    const but = (reason: string | null) => (reason === null ? '' : `; but ${reason}`);
    console.log(
      `${seen.equivalentMm} mm f/${of.apertureN.toFixed(1)} at ${lengthWords(focusM)}: ${words(told)}${but(report.outOfReach)}`,
    );
    for (const { lens, distanceM, outOfReach: reason, ...other } of others)
      console.log(
        `  as large with ${lens} at ${lengthWords(distanceM)}: ${'unknown' in other ? other.unknown : words(other)}${but(reason)}`,
      );
  }
  return 0;
}

const NO_BACKGROUND = 'the background would lie behind the camera';

/** Why that lens does not focus there; null where it does. */
function outOfReach({ lens }: SimulatedOptic, focusM: number): string | null {
  const { fixedFocusM, closestM } = lens;
  if (fixedFocusM !== undefined)
    return lengthWords(fixedFocusM) === lengthWords(focusM)
      ? null
      : `its focus is fixed at ${lengthWords(fixedFocusM)}`;
  return focusM < closestM ? `it focuses no nearer than ${lengthWords(closestM)}` : null;
}

function planLens({ lens, sensor }: SimulatedOptic, wantedN: number): PlanLens {
  const apertureN = Math.min(lens.narrowestN ?? lens.apertureN, Math.max(lens.apertureN, wantedN));
  return { focalLengthMm: lens.focalLengthMm, apertureN, sensor };
}

/** A distance of that flag. @param fallback when it is not given */
function metres(args: Arguments, name: string, fallback: number): number {
  const text = args.flags.get(name);
  if (text === undefined) return fallback;
  const value = /^(inf|infinity|∞)$/i.test(text) ? Infinity : numberOf(text);
  if (!(value > 0)) throw new UsageError(`--${name} needs metres such as 0.5, or inf, not ${text}`);
  return value;
}

function words({
  nearM,
  farM,
  hyperfocalM: H,
  backgroundPx,
  backgroundPercent,
  widthM,
  heightM,
}: DepthPlan): string {
  return `sharp ${lengthWords(nearM)} to ${lengthWords(farM)}, hyperfocal ${lengthWords(H)}, frame ${lengthWords(widthM)} × ${lengthWords(heightM)}, background blurred ${backgroundPx.toFixed(1)} px (${backgroundPercent.toFixed(2)} % of the height)`;
}
