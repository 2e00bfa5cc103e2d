import { createHash, randomBytes } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { shoot } from '../src/core/frame/shoot';
import { ev100OfSettings } from '../src/core/light/apex';
import { PREVIEW_LONG_SIDE } from '../src/core/scene/capture';
import { choice, UsageError, wholeNumber, type Arguments } from './arguments';
import { ask, printable } from './exposure';
import { encodeJpeg } from './jpeg';

const DAY_S = 86_400;

export async function shootCommand(args: Arguments): Promise<number> {
  const out = args.flags.get('out');
  if (!out) throw new UsageError('--out is missing: the DNG to write');
  const size = choice(args, 'size', ['full', 'preview'] as const, 'full');
  const compression = choice(args, 'compression', ['lossless-jpeg', 'none'] as const, 'lossless-jpeg');
  const { view, focusM, pattern, controls, resolved } = await ask(args);
  const { settings } = resolved;
  const time = args.flags.get('time');
  const timeMs = time === undefined ? Date.now() : Date.parse(time);
  if (!Number.isFinite(timeMs))
    throw new UsageError(`--time needs a date such as 2031-04-09T07:30:05Z, not ${time}`);
  const shot = await shoot(
    view,
    {
      settings,
      // Without a time, the same words make the same picture.
      clockS: time === undefined ? 0 : (timeMs / 1000) % DAY_S,
      focusM,
      // A press by hand is of middling strength; from the terminal nobody touches what stands on a tripod.
      steadiness: { support: view.outside.support, press: 0.5, sinceTouchS: Infinity },
      seed: wholeNumber(args, 'seed', 1),
      timeMs,
      offsetMinutes: -new Date(timeMs).getTimezoneOffset(),
      facts: {
        pattern,
        shutterAuto: controls.shutter.auto,
        isoAuto: controls.iso.auto,
        ...(view.camera.lens.narrowestN === undefined ? null : { apertureAuto: controls.aperture.auto }),
        uniqueId: randomBytes(16).toString('hex'),
      },
    },
    { longSide: size === 'full' ? view.camera.sensor.width : PREVIEW_LONG_SIDE, compression, encodeJpeg },
  );
  mkdirSync(dirname(out), { recursive: true });
  writeFileSync(out, shot.dng);
  const { frame, record } = shot;
  const report = {
    path: out,
    width: frame.width,
    height: frame.height,
    mosaicSha256: createHash('sha256').update(littleEndian(frame.data)).digest('hex'),
    settings: printable(settings, controls),
    ev100: ev100OfSettings(settings.apertureN, settings.shutterS, settings.iso),
    deviationEv: resolved.deviationEv,
    forecast: record.forecast,
    result: record.result,
  };
  if (args.json) console.log(JSON.stringify(report));
  else {
    const { shutter, iso, aperture, compensation } = report.settings;
    console.log(
      `${out}: ${frame.width}×${frame.height}, ${shutter}  ISO ${iso}  ${aperture}  ${compensation} EV`,
    );
    for (const [i, channel] of record.result.channels.entries()) {
      const predicted = record.forecast.channels[i]!;
      console.log(
        `  ${channel.name}: clipped ${percent(channel.clippedShare)} (forecast ${percent(predicted.clippedShare)}), ` +
          `below floor ${percent(channel.belowFloorShare)} (forecast ${percent(predicted.belowFloorShare)})`,
      );
    }
  }
  return 0;
}

function littleEndian(data: Uint16Array): Uint8Array {
  const view = new DataView(new ArrayBuffer(data.length * 2));
  data.forEach((v, i) => view.setUint16(i * 2, v, true));
  return new Uint8Array(view.buffer);
}

function percent(share: number): string {
  return `${(100 * share).toFixed(3)} %`;
}
