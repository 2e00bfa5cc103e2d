// Frames of the simulated finder, one after the other: what one has in common with the next is kept. No canvas, no clock, no worker: whoever
// draws passes in when it is.
import { effectsOf } from '../../core/advice/effects';
import { BASE_ISO } from '../../core/exposure/settings';
import { finderFor, type FinderFrame } from '../../core/finder/finder';
import type { Moment } from '../../core/finder/source';
import { digitallyZoomed } from '../../core/scene/digital-zoom';
import type { Scene } from '../../core/scene/scene';
import { viewScene } from '../../core/scene/view';
import { viewSource } from '../../core/scene/view-source';
import { pictureHistogram } from '../../core/scopes/picture-histogram';
import { toneLimits } from '../../core/scopes/limits';
import { OPTICS } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-optic';
import type { Known } from '../../core/units/known';
import type { Order } from '../order';
import type { FinderStage, Report, Standing } from '../report';
import { consequences, fitOf, handReading, heldUp, weightsOf, type Shown } from './finder-telling';
import type { World } from './world';

/** A sample stands for at least so many sites along. */
const LEAST_SITES = 3;

/** What one frame is made of. */
export interface Asked {
  readonly scene: Scene;
  readonly lens: LensId;
  readonly order: Order;
  readonly world: World;
  /** Of the frame, samples; a small sensor has fewer. */
  readonly longSide: number;
  /** Counts frames from 1; it seeds the noise. */
  readonly number: number;
  readonly moment: Moment;
  /** The newest order that a frame of this view answers. */
  readonly answers: number;
}

/** A frame that was made: RGBA, 8 bits, row by row, valid until the next one; and all that is told of it but how long it took. */
export interface Drawn {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly report: Omit<Report, 'stageMs'>;
}

export interface FinderFrames {
  /**
   * @param lap counts the time since the last call to a stage
   * @param onMap called when a map that the hand meter waits for is there, or is not to be had
   */
  draw(asked: Asked, lap: (stage: FinderStage) => void, onMap: () => void): Drawn;
}

export function finderFrames(): FinderFrames {
  let kept: Shown | undefined;
  return {
    draw: (asked, lap, onMap) => {
      kept = shownOf(asked, kept);
      return drawn(asked, kept, lap, onMap);
    },
  };
}

function drawn(
  { scene, order, world, number, moment, answers }: Asked,
  shown: Shown,
  lap: (stage: FinderStage) => void,
  onMap: () => void,
): Drawn {
  const { finder: current, view } = shown;
  const measured = current.measure(order, number, moment, lap);
  current.develop(measured);
  lap('develop');
  const picture = order.pictureHistogram ? pictureHistogram(current.rgba) : null;
  const held = order.other && heldUp(shown, order, order.other, measured, number, moment);
  const told = consequences(shown, measured, order);
  const { zebra, brightest, inFocus, depth, peaking, ...marks } = order.marks;
  if (depth && !held) current.drawDepth();
  const iso = held ? order.other!.iso : measured.resolved.settings.iso;
  const which = {
    ...marks,
    inFocus: inFocus ? told.effects : null,
    zebra: zebra && zebra[iso < BASE_ISO ? 'extended' : 'native'],
  };
  const seen = held?.finder ?? current;
  const disagreement = seen.mark(held?.measured ?? measured, which, order.disagreement);
  const peaks = peaking && seen.markPeaks(held?.measured ?? measured, number, peaking);
  if (brightest && order.settings.meter.pattern === 'highlight' && order.lockedEv100 === null && !held)
    current.markBrightest(order.settings.meter.burnShare);
  lap('scopes');

  const { outlook, resolved } = measured;
  const { sensor, lensId } = view.camera;
  const report = {
    seq: answers,
    frame: number,
    optic: lensId,
    orientation: order.orientation,
    view: `${scene.description.id}.${lensId}`,
    width: current.width,
    height: current.height,
    zoomTimes: order.settings.cut.times,
    exposure: {
      settings: resolved.settings,
      plan: measured.plan,
      deviationEv: resolved.deviationEv,
      outOfRangeEv: resolved.outOfRangeEv,
    },
    standing: standingOf(measured),
    focusM: measured.focus.focusM,
    subjectM: subjectOf(shown, order, measured),
    focus: measured.focus,
    peaking: peaks,
    reading: measured.reading,
    relative: null,
    fromGreyEv: null,
    wholeEv100: measured.wholeEv100,
    pins: measured.pins,
    hand: handReading(view, order, world.scene, onMap),
    weights: order.weights ? weightsOf(view) : null,
    picture,
    ends: disagreement && { white: disagreement.pictureWhite, black: disagreement.pictureBlack },
    white: { ...measured.frame.colour.white, by: measured.white.by, measured: measured.white.measured },
    ring: measured.ring,
    mixed: measured.white.mixed,
    raw: {
      colour: measured.frame.colour,
      ...told,
      stopline: outlook.stopline,
      sites: sensor.width * sensor.height,
      forecast: outlook.forecast,
      headroomOfFileEv: outlook.headroomOfFileEv,
      clippedOfFrame: outlook.forecast.clipped.reduce((sum, share) => sum + share / 4, 0),
      headroomEv: outlook.headroomEv,
      sparkle: outlook.sparkle,
      range: outlook.range,
      fit: fitOf(view, measured, order),
      toneLimits: toneLimits(measured.frame.colour, resolved.settings, measured.print),
      disagreement,
      comparison: held?.comparison ?? null,
      cleanEv: outlook.cleanEv,
      floorEv: measured.floorEv,
      midGreyEv: measured.midGreyEv,
    },
  };
  return { rgba: seen.rgba, width: current.width, height: current.height, report };
}

/** What the depth sensor tells of what is focused on: the place of the focus where that was parted, the spot, or where it looked. */
function subjectOf({ finder: of, view }: Shown, { focusAt }: Order, { focus }: FinderFrame): Known<number> {
  if (!view.camera.depthSensor) return { unknown: 'this camera has no depth sensor' };
  const at = focusAt ?? (focus.state === 'hand' ? null : focus.at);
  if (!at) return { unknown: 'no place is chosen' };
  return of.distanceAt(at) ?? { unknown: 'farther than the depth sensor reaches' };
}

function standingOf({ resolved: { settings }, focus: { focusM }, frame: { colour } }: FinderFrame): Standing {
  const { shutterS, iso, apertureN, compensationEv } = settings;
  return {
    shutter: shutterS,
    iso,
    aperture: apertureN,
    compensationEv,
    focus: focusM,
    white: colour.white.kelvin,
  };
}

function shownOf({ scene, lens, order, world, longSide: wanted }: Asked, kept: Shown | undefined): Shown {
  const { orientation, settings } = order;
  const { outside } = world;
  const { times } = settings.cut;
  const key = JSON.stringify([orientation, outside, lens, times]);
  const longSide = Math.min(wanted, Math.floor(OPTICS[lens].sensor.width / LEAST_SITES));
  const same = kept?.scene === scene && kept.key === key;
  if (same && kept.longSide === longSide) return kept;
  const view = same
    ? kept.view
    : viewScene(scene, digitallyZoomed(OPTICS[lens], times), orientation, outside);
  // Lamps that are turned up move no lens.
  const lies = JSON.stringify([orientation, lens, times]);
  const focus = kept?.scene === scene && kept.lies === lies ? kept.finder.focusKept() : null;
  return {
    key,
    lies,
    longSide,
    scene,
    view,
    finder: finderFor(viewSource(view, 1, longSide), true, focus),
    effects: same ? kept.effects : effectsOf(view),
  };
}
