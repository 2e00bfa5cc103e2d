import { whiteWords } from '../src/core/colour/temperature';
import { checkDng } from '../src/core/dng/check';
import { formatEv } from '../src/core/units/ladders';
import { UsageError, type Arguments } from './arguments';
import { readWhole } from './files';

export function check(args: Arguments): number {
  const file = args.rest[0];
  if (!file) throw new UsageError('Which file? velmo check FILE.dng');
  const report = checkDng(readWhole(file));
  if (args.json) console.log(JSON.stringify(report));
  else if (!report.ok) console.error(`${file}: ${report.message} (${report.code}, at byte ${report.offset})`);
  else {
    console.log(
      `${file}: sound. ${report.width}×${report.height}, ${report.layout}, black ${report.black}, white ${report.white}`,
    );
    for (const c of report.channels) {
      const p = c.percentilesEv;
      const stops = [p.p1, p.p50, p.p99].map((ev) => (ev === null ? 'black' : formatEv(ev))).join(' ');
      console.log(
        `  ${c.name.padEnd(2)} ${c.sites} sites, clipped ${c.clipped} (${(100 * c.clippedShare).toFixed(3)} %), ` +
          `below floor ${c.belowFloorShare === null ? 'unknown (no NoiseProfile)' : `${(100 * c.belowFloorShare).toFixed(3)} %`}, ${c.min}–${c.max}, mean ${c.mean.toFixed(1)}, ` +
          `1/50/99 % at ${stops} EV`,
      );
    }
    if (report.asShotWhite) console.log(`  white ${whiteWords(report.asShotWhite)}`);
    const room = report.headroomEv;
    console.log(
      room === null
        ? '  black everywhere'
        : room === 0
          ? '  no headroom: more than 0.1 % is clipped'
          : `  headroom ${room.toFixed(2)} EV`,
    );
    for (const [key, value] of Object.entries(report.metadata))
      console.log(`  ${key}: ${JSON.stringify(value)}`);
  }
  return report.ok ? 0 : 1;
}
