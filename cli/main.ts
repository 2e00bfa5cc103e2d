// Velmo from a terminal: the same core as the app. Exit code 0 done, 1 refused, 2 wrong use.
import { parseArguments, UsageError, type Arguments } from './arguments';
import { check } from './check';
import { meter } from './meter';
import { scenes } from './scenes';
import { shootCommand } from './shoot';

const COMMANDS: Record<string, (args: Arguments) => Promise<number> | number> = {
  scenes,
  meter,
  shoot: shootCommand,
  check,
};

const FLAGS = [
  ...[
    'scene',
    'pattern',
    'at',
    'ev',
    'shutter',
    'iso',
    'seed',
    'size',
    'orientation',
    'compression',
    'out',
    'time',
    'lens',
    'lamp',
    'support',
    'wheel',
    'focus',
    'aperture',
    'filter',
    'spot',
    'pin',
  ],
];

const USAGE = `Velmo
  scenes                                     the scenes there are
  meter --scene ID [--pattern evaluative|centre|spot|highlight] [--at X,Y]
        [--spot small|medium|large] [--pin X,Y …] [--ev EV] [--shutter T] [--iso S]   every pattern's reading in JSON
  shoot --scene ID [--shutter T] [--iso S] [--ev EV] [--seed N] [--size full|preview]
        [--orientation portrait|landscape] [--compression lossless-jpeg|none] --out FILE.dng
  both: [--lens wide|ultra-wide|tele|zoom-24|zoom-35|zoom-50|zoom-77] [--aperture N] [--filter STOPS]
        [--focus METRES|inf] [--lamp NAME=0..1 …] [--support tripod|hand] [--wheel still|slow|fast]
  check FILE.dng                             is the file sound, what does its raw hold
Every command takes --json.`;

async function run(): Promise<number> {
  try {
    const args = parseArguments(process.argv.slice(2), FLAGS);
    const command = args.command ? COMMANDS[args.command] : undefined;
    if (!command) {
      const wanted = args.command && args.command !== 'help' ? `No command ${args.command}\n` : '';
      console.error(`${wanted}${USAGE}`);
      return 2;
    }
    return await command(args);
  } catch (error) {
    if (error instanceof UsageError || error instanceof RangeError) {
      console.error(error.message);
      return 2;
    }
    console.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}

// Whoever reads may have read enough.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});

void run().then((code) => {
  process.exitCode = code;
});
