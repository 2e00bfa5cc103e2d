// The terminal's press: one frame or a series, exposed and written, and told with what was forecast of it.
import { createHash, randomBytes } from 'node:crypto';
import { extname, join } from 'node:path';
import { CODEC_IDS } from '../src/core/dng/codec/codecs';
import { colourOfWhite, type CameraColour } from '../src/core/colour/camera';
import { whiteWords } from '../src/core/colour/temperature';
import type { ExposureSettings } from '../src/core/exposure/settings';
import { FIRST_ROLL } from '../src/core/facts/facts';
import { rollName } from '../src/core/frame/roll';
import { shoot, type Press } from '../src/core/frame/shoot';
import { ev100OfSettings } from '../src/core/light/apex';
import { meteredEv100 } from '../src/core/meter/read';
import { captureStage, PREVIEW_LONG_SIDE } from '../src/core/scene/capture';
import type { SceneView } from '../src/core/scene/view';
import { viewSource } from '../src/core/scene/view-source';
import { opticOfCamera } from '../src/core/sensor/cameras';
import type { PlannedShot } from '../src/core/sequence/drive';
import { leftOutWords } from '../src/core/sequence/drives/bracket';
import { DRIVES } from '../src/core/sequence/drives';
import { driveOf } from '../src/core/sequence/in-use';
import { hasIris } from '../src/core/body/body';
import {
  creditOf,
  keywordsOf,
  MOST_COPYRIGHT,
  MOST_PERSON,
  tidy,
  type Credit,
} from '../src/core/setting/credit';
import { ENDINGS, formatsOf } from '../src/core/setting/files';
import { settingsOf } from '../src/core/setting/values';
import { known } from '../src/core/units/known';
import { measureWhite } from '../src/core/white/measure';
import { choice, moment, numberOf, UsageError, wholeNumber, type Arguments } from './arguments';
import { plannedBracket } from './bracket';
import { ask, PLANNED, printable } from './exposure';
import { mayBeWritten, reserve } from './files';
import { encodeJpeg } from './jpeg';

const DAY_S = 86_400;

/** The roll that frames are of: its name, by which it is shown where they are taken in. @throws UsageError */
function rollAsked({ flags }: Arguments): string {
  const asked = flags.get('roll');
  if (asked === undefined) return FIRST_ROLL;
  const found = rollName(asked, []);
  if ('wrong' in found) throw new UsageError(`--roll: ${found.wrong}`);
  return found.name;
}

/** @throws UsageError */
function creditAsked({ flags }: Arguments): Credit | undefined {
  const text = (flag: string, most: number) => {
    const said = tidy(flags.get(flag) ?? '');
    if (said.length > most) throw new UsageError(`--${flag} has ${said.length} letters; ${most} at most`);
    return said;
  };
  const keywords = keywordsOf(flags.get('keywords') ?? '');
  if (!keywords) throw new UsageError('--keywords: too many, or one is too long');
  return creditOf({
    person: text('person', MOST_PERSON),
    copyright: text('copyright', MOST_COPYRIGHT),
    keywords,
  });
}

/** The drive whose flag was given; undefined for a single frame. @throws UsageError for more than one */
function driveAsked({ flags }: Arguments) {
  const asked = DRIVES.filter(({ setting }) => setting.options?.some(({ flag }) => flags.has(flag)));
  if (asked.length > 1) {
    const given = asked.flatMap(({ setting }) => setting.options!.map(({ flag }) => `--${flag}`));
    throw new UsageError(`One press takes one kind of series: leave out ${given.join(' or ')}`);
  }
  return asked[0];
}

export async function shootCommand(args: Arguments): Promise<number> {
  const asked = await pressAsked(args);
  const { set, out, many, shots } = asked;
  const pathsOf = namesOf(out, set, many);
  if (!many) endingFits(out, ENDINGS[formatsOf(set.files)[0]!]);
  // All of them before the first frame.
  for (const index of shots.keys()) for (const path of pathsOf(index)) mayBeWritten(path, args.force);
  const stage = many ? stageOf(asked) : undefined;
  const frames: Report[] = [];
  for (const [index, shot] of shots.entries())
    frames.push(await take(asked, shot, index, { paths: pathsOf(index), stage, force: args.force }));
  if (args.json) console.log(JSON.stringify(many ? seriesReport(asked, frames) : frames[0]));
  else tell(asked, frames);
  return 0;
}

/** What a press takes, resolved from what was asked for. @throws UsageError */
async function pressAsked(args: Arguments) {
  const out = args.flags.get('out');
  if (!out)
    throw new UsageError(
      '--out is missing: the DNG to write, or with --bracket or --burst the folder for its frames',
    );
  const size = choice(args, 'size', ['full', 'preview'] as const, 'full');
  const compression = choice(args, 'compression', CODEC_IDS, CODEC_IDS[0]!);
  const seed = wholeNumber(args, 'seed', 1);
  const timeMs = moment(args, 'time', Date.now());
  const roll = rollAsked(args);
  const credit = creditAsked(args);
  const clockS = clockAsked(args, timeMs);
  const { view, whole, settings, resolved, reading, ...asked } = await ask(args);
  const focus = asked.focus();
  const { focusM } = focus;
  const asking = driveAsked(args);
  const many = asking !== undefined;
  const planned =
    args.flags.get('bracket') === PLANNED
      ? plannedBracket(view, resolved.settings, focusM, clockS)
      : undefined;
  const set = planned ? { ...settings, bracket: planned.bracket } : settings;
  const drive = driveOf(set);
  const sequence = drive.plan({ settings: planned?.middle ?? resolved.settings, focusM });
  if (sequence.kind === 'beyond') throw new UsageError(`--${drive.id} ${drive.words}: ${sequence.says}`);
  // All frames of a set have one white: that of the exposure that was metered.
  const colour = !set.white.auto
    ? colourOfWhite(view.camera.matrices, { kelvin: set.white.exact, tint: set.white.tint })
    : many
      ? meteredWhite(view, resolved.settings, focusM, clockS)
      : undefined;
  return {
    ...{ out, compression, seed, timeMs, roll, credit, clockS, view, whole, set, resolved, reading, focus },
    ...{ asking, many, planned, drive, colour },
    shots: sequence.shots,
    group: randomBytes(16).toString('hex'),
    longSide: size === 'full' ? whole.camera.sensor.width : PREVIEW_LONG_SIDE,
  };
}

type PressAsked = Awaited<ReturnType<typeof pressAsked>>;

/** What the files of a frame of the press are called, by its index. */
function namesOf(out: string, { files }: PressAsked['set'], many: boolean): (index: number) => string[] {
  const endings = formatsOf(files).map((format) => ENDINGS[format]);
  const stem = out.slice(0, out.length - extname(out).length);
  return (index) =>
    many
      ? endings.map((ending) => join(out, `${String(index + 1).padStart(2, '0')}.${ending}`))
      : endings.map((ending, i) => (i === 0 ? out : `${stem}.${ending}`));
}

/** What several frames of one focus have in common, made once. */
function stageOf({ whole, longSide, focus: { focusM }, resolved }: PressAsked) {
  return { focusM, made: captureStage(whole, longSide, focusM, resolved.settings, true) };
}

/** One frame of the press. */
function pressOf(asked: PressAsked, { settings, focusM, atS }: PlannedShot, index: number): Press {
  const { set, view, whole, clockS, colour, seed, reading, roll, timeMs, credit, focus } = asked;
  const { drive, group, shots } = asked;
  return {
    settings: known(settings)!,
    clockS: clockS + atS,
    focusM: known(focusM)!,
    // A press by hand is of middling strength, and only shakes the first; from the terminal nobody touches what stands on a tripod.
    steadiness: {
      support: view.outside.support,
      press: set.delayS > 0 || index > 0 ? 0 : 0.5,
      sinceTouchS: Infinity,
    },
    ...(colour && { colour }),
    seed: seed + index,
    facts: {
      set: settingsOf(set, opticOfCamera(whole.camera)),
      meteredEv100: meteredEv100(reading),
      id: randomBytes(16).toString('hex'),
      roll,
      timeMs: timeMs + Math.round(1000 * atS),
      offsetMinutes: -Math.round(new Date(timeMs).getTimezoneOffset()),
      ...(credit && { credit }),
      ...(focus.state === 'found' && { focusedAt: { ...focus.at, side: focus.side } }),
      ...(drive.id !== 'single' && { group: { id: group, index, of: shots.length, kind: drive.id } }),
    },
  };
}

/** Takes a frame, writes its files and returns what is told of it. */
async function take(
  asked: PressAsked,
  shot: PlannedShot,
  index: number,
  to: {
    readonly paths: readonly string[];
    readonly stage: ReturnType<typeof stageOf> | undefined;
    readonly force: boolean;
  },
) {
  const { whole, longSide, compression, roll, credit, many, set, resolved, focus } = asked;
  const press = pressOf(asked, shot, index);
  const { settings, focusM } = press;
  const reserved = to.paths.map((one) => reserve(one, to.force));
  try {
    const made = await shoot(whole, press, {
      ...{ longSide, compression, encodeJpeg, pause },
      ...(to.stage?.focusM === focusM && { stage: to.stage.made }),
    });
    made.files.forEach(({ bytes }, i) => reserved[i]!.write(bytes));
    const { frame, record } = made;
    return {
      path: to.paths[0]!,
      roll,
      ...(credit && { credit }),
      files: made.files.map(({ format, bytes }, i) => ({ format, path: to.paths[i]!, bytes: bytes.length })),
      width: frame.width,
      height: frame.height,
      ...(frame.crop && { crop: frame.crop }),
      ...(frame.userCrop && { userCrop: frame.userCrop }),
      mosaicSha256: createHash('sha256').update(littleEndian(frame.data)).digest('hex'),
      ...(many && { sinceFirstS: shot.atS }),
      settings: printable(settings, set),
      ev100: ev100OfSettings(settings.apertureN, settings.shutterS, settings.iso),
      deviationEv: resolved.deviationEv,
      white: { ...frame.colour.white, auto: set.white.auto },
      focus: { ...focus, focusM: Number.isFinite(focusM) ? focusM : null },
      forecast: record.forecast,
      result: record.result,
    };
  } finally {
    reserved.forEach((file) => file.release());
  }
}

type Report = Awaited<ReturnType<typeof take>>;

function seriesReport({ out, asking, set, planned }: PressAsked, frames: readonly Report[]) {
  const { id } = asking!;
  return { folder: out, [id]: set[id], ...(planned && { plan: planned.plan }), frames };
}

function tell({ out, asking, set, planned, whole }: PressAsked, frames: readonly Report[]): void {
  if (asking) console.log(`${out}: ${asking.setting.words(set[asking.id])}`);
  const left =
    planned && leftOutWords(planned.plan.left, set.bracket.by, hasIris(opticOfCamera(whole.camera)));
  if (left) console.log(left);
  for (const { path, width, height, settings, white, result, forecast } of frames) {
    const { shutter, iso, aperture, compensation } = settings;
    console.log(
      `${path}: ${width}×${height}, ${shutter}  ISO ${iso}  ${aperture}  ${compensation} EV, white ${whiteWords(white)}`,
    );
    for (const [i, channel] of (known(result)?.channels ?? []).entries()) {
      const predicted = forecast!.channels[i]!;
      console.log(
        `  ${channel.name}: clipped ${percent(channel.clippedShare)} (forecast ${percent(predicted.clippedShare)}), ` +
          `below floor ${percent(channel.belowFloorShare)} (forecast ${percent(predicted.belowFloorShare)})`,
      );
    }
  }
}

/** A signal is heard between two bands. */
const pause = () => new Promise<void>((done) => setImmediate(done));

/** Endings that files are known by, and those that theirs are. */
const KNOWN_ENDINGS: ReadonlyMap<string, string> = new Map([
  ...Object.values(ENDINGS).map((ending) => [ending, ending] as const),
  ...([
    ['jpeg', 'jpg'],
    ['tiff', 'tif'],
  ] as const),
]);

/** A file is called what it is. @throws UsageError */
function endingFits(out: string, ending: string): void {
  const said = KNOWN_ENDINGS.get(extname(out).slice(1).toLowerCase());
  if (said !== undefined && said !== ending)
    throw new UsageError(`--out ${out} would be a ${ending.toUpperCase()} file: let it end in .${ending}`);
}

/** The white that the automatic finds at an exposure. */
function meteredWhite(
  view: SceneView,
  settings: ExposureSettings,
  focusM: number,
  timeS: number,
): CameraColour {
  const moment = { timeS, sinceTouchS: Infinity };
  const observed = viewSource(view).observe({ settings, focusM, number: 1, moment, colour: undefined });
  return measureWhite(observed.expose()).colour;
}

/** `--clock`, else the second of the day of `--time`; without either the same words make the same picture. */
function clockAsked(args: Arguments, timeMs: number): number {
  const text = args.flags.get('clock');
  if (text === undefined) return args.flags.has('time') ? (((timeMs / 1000) % DAY_S) + DAY_S) % DAY_S : 0;
  const clockS = numberOf(text);
  if (!(clockS >= 0 && clockS <= DAY_S))
    throw new UsageError(`--clock needs seconds from 0 to ${DAY_S}, not ${text || 'nothing'}`);
  return clockS;
}

function littleEndian(data: Uint16Array): Uint8Array {
  const view = new DataView(new ArrayBuffer(data.length * 2));
  data.forEach((v, i) => view.setUint16(i * 2, v, true));
  return new Uint8Array(view.buffer);
}

function percent(share: number): string {
  return `${(100 * share).toFixed(3)} %`;
}
