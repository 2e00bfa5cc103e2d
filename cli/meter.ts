import { resolveExposure } from '../src/core/exposure/automatic';
import { contrastOf, PIN_LETTERS, readPin, type Pin } from '../src/core/meter/pins';
import { doubtOf, PATTERNS, readMeter, type Reading } from '../src/core/meter/read';
import { SPOT_SHARES } from '../src/core/meter/spot';
import { meteredFor } from '../src/core/finder/finder';
import { formatEv } from '../src/core/units/ladders';
import { pointOf, UsageError, type Arguments } from './arguments';
import { SPOT_SIZES } from '../src/core/setting/meter';
import { ask, printable, type Asked } from './exposure';

export async function meter(args: Arguments): Promise<number> {
  const asked = await ask(args);
  const { reading, resolved, view } = asked;
  const { pattern } = asked.settings.meter;
  const settings = printable(resolved.settings, asked.settings);
  const pins = pinsOf(args).map((pin) => ({
    ...pin,
    ...finite(readPin(view.sight, pin, resolved.settings)),
  }));
  const report = {
    pattern,
    ...finite(reading),
    doubt: doubtOf(reading),
    deviationEv: resolved.deviationEv,
    outOfRangeEv: resolved.outOfRangeEv,
    settings,
    meterRange: view.sight.range,
    patterns: patternsOf(asked),
    pins,
    ...(pins.length > 1 && { contrast: contrastOf(pins[0]!.luminance!, pins[1]!.luminance!) }),
  };
  if (args.json) console.log(JSON.stringify(report));
  else {
    console.log(
      `${reading.luminance.toPrecision(4)} cd/m², EV ${reading.ev100.toFixed(2)} at ISO 100 (${pattern})`,
    );
    console.log(
      `${settings.shutter}  ISO ${settings.iso}  ${settings.aperture}  compensation ${settings.compensation}`,
    );
    console.log(`${formatEv(resolved.deviationEv, 2)} EV from the meter's target`);
    if (report.doubt) console.log(`Uncertain: ${DOUBT_WORDS[report.doubt]}`);
    if (resolved.outOfRangeEv !== null) {
      const words = resolved.outOfRangeEv > 0 ? 'too bright' : 'too dark';
      console.log(`Out of range: ${words} by ${Math.abs(resolved.outOfRangeEv).toFixed(1)} EV`);
    }
    for (const p of report.patterns) {
      const { shutter, iso, aperture } = p.settings;
      const name = [p.id, p.spot].filter(Boolean).join(' ');
      console.log(
        `  ${name.padEnd(12)} EV ${Number(p.ev100).toFixed(2)}  ${shutter}  ISO ${iso}  ${aperture}`,
      );
    }
    for (const pin of pins)
      console.log(
        `  pin ${pin.letter}: ${formatEv(pin.fromGreyEv ?? -99)} from grey, clips in ${formatEv(pin.toClipEv ?? 99)}`,
      );
  }
  return 0;
}

const DOUBT_WORDS = {
  clipped: 'what is read is brighter than the meter can see',
  floor: 'what is read is lost in the noise of the meter',
} as const;

/** Each pattern as it reads the same frame, and what the automatic makes of it; the spot in its three sizes. */
function patternsOf({ view, aim, settings: set, plan }: Asked) {
  return PATTERNS.flatMap(({ id }) =>
    (id === 'spot' ? [...SPOT_SHARES.keys()] : [null]).map((size) => {
      const reading: Reading = readMeter(view.sight, id, {
        ...aim,
        spotShare: SPOT_SHARES[size ?? 1]!,
      });
      const { settings, deviationEv, outOfRangeEv } = resolveExposure(
        set,
        meteredFor(id, reading.ev100, set),
        plan,
      );
      return {
        id,
        ...(size === null ? null : { spot: SPOT_SIZES[size] }),
        ...finite(reading),
        doubt: doubtOf(reading),
        deviationEv,
        outOfRangeEv,
        settings: printable(settings, set),
      };
    }),
  );
}

function pinsOf(args: Arguments): Pin[] {
  const texts = args.many.get('pin') ?? [];
  if (texts.length > PIN_LETTERS.length) throw new UsageError(`At most ${PIN_LETTERS.length} pins`);
  return texts.map((text, i) => ({ letter: PIN_LETTERS[i]!, ...pointOf(text, 'pin') }));
}

/** JSON has no infinity: null stands for it. */
function finite<T extends object>(values: T): { [K in keyof T]: T[K] extends number ? number | null : T[K] } {
  return Object.fromEntries(
    Object.entries(values).map(([key, v]) => [key, typeof v === 'number' && !Number.isFinite(v) ? null : v]),
  ) as { [K in keyof T]: T[K] extends number ? number | null : T[K] };
}
