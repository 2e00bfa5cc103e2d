import { formatEv } from '../src/core/units/ladders';
import type { Arguments } from './arguments';
import { ask, printable } from './exposure';

export async function meter(args: Arguments): Promise<number> {
  const { pattern, controls, reading, resolved } = await ask(args);
  const settings = printable(resolved.settings, controls);
  const report = {
    pattern,
    ev100: reading.ev100,
    luminance: reading.luminance,
    deviationEv: resolved.deviationEv,
    outOfRangeEv: resolved.outOfRangeEv,
    settings,
  };
  if (args.json) console.log(JSON.stringify(report));
  else {
    console.log(
      `${reading.luminance.toPrecision(4)} cd/m², EV ${reading.ev100.toFixed(2)} at ISO 100 (${pattern})`,
    );
    console.log(
      `${settings.shutter}  ISO ${settings.iso}  f/${settings.apertureN}  compensation ${settings.compensation}`,
    );
    console.log(`${formatEv(resolved.deviationEv, 2)} EV from the meter's target`);
    if (resolved.outOfRangeEv !== null) {
      const words = resolved.outOfRangeEv > 0 ? 'too bright' : 'too dark';
      console.log(`Out of range: ${words} by ${Math.abs(resolved.outOfRangeEv).toFixed(1)} EV`);
    }
  }
  return 0;
}
