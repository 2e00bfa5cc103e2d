// Why the picture and raw say different things about the same frame right now, with the numbers.
import { balanceGains, type CameraColour } from '../colour/camera';
import { extendedStops, type ExposureSettings } from '../exposure/settings';
import { baselineExposureEv } from '../raw/tone';
import type { Disagreement } from '../scopes/marks';
import { printSays, type Print } from '../setting/print';
import { toneLimits } from '../scopes/limits';

export interface Difference {
  /** What is true of this frame, in one sentence. */
  readonly verdict: string;
  /** The causes, the largest first. */
  readonly causes: readonly string[];
}

/** Shares smaller than this are not worth a word. */
const TELLING = 0.0005;
const NAMES = ['red', 'green', 'blue'] as const;

export function whyTheyDiffer(
  colour: CameraColour,
  settings: Pick<ExposureSettings, 'iso'>,
  { onlyPicture, onlyRaw, both }: Disagreement,
  print: Print | null = null,
): Difference {
  return {
    verdict: verdictOf(onlyPicture, onlyRaw, both),
    causes: [
      whiteBalance(colour),
      print && `The print ${print.name} changes the picture alone: ${printSays(print)}.`,
      toneCurve(settings),
      extended(settings),
      ends(colour, settings, print),
    ].filter((cause) => cause !== null),
  };
}

function verdictOf(onlyPicture: number, onlyRaw: number, both: number): string {
  const looks = onlyPicture >= TELLING;
  const hides = onlyRaw >= TELLING;
  if (looks && hides)
    return `${percent(onlyPicture)} looks burnt in the picture and is whole in raw; ${percent(onlyRaw)} is burnt in raw and does not look white.`;
  if (looks)
    return `${percent(onlyPicture)} looks burnt in the picture and is whole in raw${both >= TELLING ? `; ${percent(both)} is burnt in both` : ''}.`;
  if (hides)
    return `${percent(onlyRaw)} is burnt in raw and does not look white in the picture${both >= TELLING ? `; ${percent(both)} is burnt in both` : ''}.`;
  return both >= TELLING
    ? `They agree: ${percent(both)} is burnt in both.`
    : 'They agree: next to nothing is burnt in either.';
}

function whiteBalance(colour: CameraColour): string | null {
  const gains = balanceGains(colour);
  const lifted = gains
    .map((gain, c) => ({ gain, name: NAMES[c]! }))
    .filter(({ gain }) => gain > 1.05)
    .sort((a, b) => b.gain - a.gain);
  if (lifted.length === 0) return null;
  const most = lifted[0]!;
  const list = lifted.map(({ name, gain }) => `${name} ×${gain.toFixed(2)}`).join(' and ');
  return `White balance lifts ${list}: in the picture ${most.name} is full ${Math.log2(most.gain).toFixed(1)} EV before raw clips.`;
}

function toneCurve(settings: Pick<ExposureSettings, 'iso'>): string {
  const greyEv = Math.log2(0.18) - baselineExposureEv(settings);
  return `The tone curve puts mid-grey at code 118; in raw it lies ${(-greyEv).toFixed(1)} EV under clip. What is brighter is pressed into the upper half.`;
}

function extended(settings: Pick<ExposureSettings, 'iso'>): string | null {
  const stops = extendedStops(settings.iso);
  if (stops === 0) return null;
  return `ISO ${Math.round(settings.iso)} is extended: raw is as at 100 and the picture ${stops.toFixed(1)} EV darker, so raw clips that much sooner than its brightness tells.`;
}

function ends(colour: CameraColour, settings: Pick<ExposureSettings, 'iso'>, print: Print | null): string {
  const { blackEv } = toneLimits(colour, settings, print);
  return `The picture is black below ${(-Math.max(...blackEv)).toFixed(1)} EV under clip, whatever raw still holds there.`;
}

function percent(share: number): string {
  const value = 100 * share;
  return `${value.toFixed(value < 1 ? 2 : 1)} %`;
}
