import { createHash, randomBytes } from 'node:crypto';
import { colourOfWhite } from '../src/core/colour/camera';
import { whiteWords } from '../src/core/colour/temperature';
import { shoot, type Press } from '../src/core/frame/shoot';
import { ev100OfSettings } from '../src/core/light/apex';
import { meteredEv100 } from '../src/core/meter/read';
import { PREVIEW_LONG_SIDE } from '../src/core/scene/capture';
import { opticOfCamera } from '../src/core/sensor/cameras';
import { settingsOf } from '../src/core/setting/values';
import { known } from '../src/core/units/known';
import { choice, moment, numberOf, UsageError, wholeNumber, type Arguments } from './arguments';
import { ask, printable } from './exposure';
import { reserve } from './files';
import { encodeJpeg } from './jpeg';

const DAY_S = 86_400;

export async function shootCommand(args: Arguments): Promise<number> {
  const out = args.flags.get('out');
  if (!out) throw new UsageError('--out is missing: the DNG to write');
  const size = choice(args, 'size', ['full', 'preview'] as const, 'full');
  const compression = choice(args, 'compression', ['lossless-jpeg', 'none'] as const, 'lossless-jpeg');
  const seed = wholeNumber(args, 'seed', 1);
  const timeMs = moment(args, 'time', Date.now());
  const clockS = clockAsked(args, timeMs);
  const { view, whole, settings: set, resolved, reading, ...asked } = await ask(args);
  const focus = asked.focus();
  const { focusM } = focus;
  const { settings } = resolved;
  const press: Press = {
    settings,
    clockS,
    focusM,
    // A press by hand is of middling strength; from the terminal nobody touches what stands on a tripod.
    steadiness: { support: view.outside.support, press: set.delayS > 0 ? 0 : 0.5, sinceTouchS: Infinity },
    ...(!set.white.auto && {
      colour: colourOfWhite(view.camera.matrices, { kelvin: set.white.exact, tint: set.white.tint }),
    }),
    seed,
    timeMs,
    offsetMinutes: -Math.round(new Date(timeMs).getTimezoneOffset()),
    facts: {
      set: settingsOf(set, opticOfCamera(whole.camera)),
      meteredEv100: meteredEv100(reading),
      uniqueId: randomBytes(16).toString('hex'),
      ...(focus.state === 'found' && { focusedAt: focus.at }),
    },
  };
  const file = reserve(out);
  let shot;
  try {
    const longSide = size === 'full' ? whole.camera.sensor.width : PREVIEW_LONG_SIDE;
    shot = await shoot(whole, press, { longSide, compression, encodeJpeg });
    file.write(shot.dng);
  } finally {
    file.release();
  }
  const { frame, record } = shot;
  const report = {
    path: out,
    width: frame.width,
    height: frame.height,
    ...(frame.crop && { crop: frame.crop }),
    ...(frame.userCrop && { userCrop: frame.userCrop }),
    mosaicSha256: createHash('sha256').update(littleEndian(frame.data)).digest('hex'),
    settings: printable(settings, set),
    ev100: ev100OfSettings(settings.apertureN, settings.shutterS, settings.iso),
    deviationEv: resolved.deviationEv,
    white: { ...frame.colour.white, auto: set.white.auto },
    focus: { ...focus, focusM: Number.isFinite(focusM) ? focusM : null },
    forecast: record.forecast,
    result: record.result,
  };
  if (args.json) console.log(JSON.stringify(report));
  else {
    const { shutter, iso, aperture, compensation } = report.settings;
    console.log(
      `${out}: ${frame.width}×${frame.height}, ${shutter}  ISO ${iso}  ${aperture}  ${compensation} EV, white ${whiteWords(report.white)}`,
    );
    for (const [i, channel] of (known(record.result)?.channels ?? []).entries()) {
      const predicted = record.forecast!.channels[i]!;
      console.log(
        `  ${channel.name}: clipped ${percent(channel.clippedShare)} (forecast ${percent(predicted.clippedShare)}), ` +
          `below floor ${percent(channel.belowFloorShare)} (forecast ${percent(predicted.belowFloorShare)})`,
      );
    }
  }
  return 0;
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
