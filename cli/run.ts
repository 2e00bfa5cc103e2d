// The commands of the terminal, and which of them is meant.
import { CODEC_IDS } from '../src/core/dng/codec/codecs';
import { parseArguments, UsageError, type Arguments } from './arguments';
import { OFFERED_LENS_IDS } from '../src/core/sensor/simulated-optic';
import { check } from './check';
import { settingFlags, settingUsage } from './exposure';
import { meter } from './meter';
import { plan } from './plan';
import { scenes } from './scenes';
import { shootCommand } from './shoot';

interface Command {
  readonly run: (args: Arguments) => Promise<number> | number;
  /** Words that it takes beside its flags. */
  readonly words: number;
}

const COMMANDS: ReadonlyMap<string, Command> = new Map([
  ['scenes', { run: scenes, words: 0 }],
  ['meter', { run: meter, words: 0 }],
  ['shoot', { run: shootCommand, words: 0 }],
  ['check', { run: check, words: 1 }],
  ['plan', { run: plan, words: 1 }],
]);

const FLAGS = [
  ...['scene', 'at', 'seed', 'size', 'orientation', 'compression', 'out', 'time', 'clock', 'lens'],
  ...['roll', 'person', 'copyright', 'keywords'],
  ...['lamp', 'support', 'wheel', 'pin', 'background'],
  ...settingFlags(),
];

/** Words in lines of bearable length, indented. */
function lines(words: readonly string[]): string {
  const out: string[] = [];
  for (const word of words) {
    const last = out.at(-1);
    if (last !== undefined && last.length + word.length < 100) out[out.length - 1] = `${last} ${word}`;
    else out.push(`        ${word}`);
  }
  return out.join('\n');
}

const USAGE = `Velmo
  scenes                                     the scenes there are, with named patches as the frame shows them
        [--lens …] [--orientation landscape|portrait]
  meter --scene ID [--at X,Y] [--pin X,Y …]  every pattern's reading in JSON
  shoot --scene ID [--at X,Y] [--seed N] [--size full|preview] [--compression ${CODEC_IDS.join('|')}]
        [--time DATE] [--clock SECONDS] [--roll NAME] [--person NAME] [--copyright TEXT] [--keywords A,B]
        --out FILE.dng, or a folder with --bracket or --burst; [--force] replaces what is there
  both, for what is set; what is not given is automatic:
${lines(settingUsage())}
  and for where: [--lens ${OFFERED_LENS_IDS.join('|')}]
        [--lamp NAME=0..1 …] [--support tripod|hand] [--wheel still|slow|fast] [--orientation landscape|portrait]
  plan depth [--focus METRES|inf|hyperfocal] [--background METRES|inf] [--lens …] [--aperture N] [--zoom 1..8]
        what is sharp, what the frame spans, how far a background blurs, and the same with the camera's other lenses
  check FILE.dng                             is the file sound, what does its raw hold
Places (X,Y here, x and y of patches) are shares of the frame, 0,0 at its upper left, 1,1 at its lower right.
--clock is the scene's own time, where the wheel, flames and stars are: 0 when neither it nor --time is given, else the second of the day of --time.
--time is what the file says; now when it is not given. Every command takes --json and --help.`;

/** Does what the words say, answering on the console. @returns exit code: 0 done, 1 refused, 2 wrong use */
export async function run(words: readonly string[]): Promise<number> {
  try {
    if (words[0] === 'help' || words.some((word) => word === '--help' || word === '-h')) {
      console.log(USAGE);
      return 0;
    }
    const args = parseArguments(words, FLAGS, ['lamp', 'pin']);
    const command = COMMANDS.get(args.command ?? '');
    if (!command) {
      const wanted = args.command ? `No command ${args.command}\n` : '';
      console.error(`${wanted}${USAGE}`);
      return 2;
    }
    const extra = args.rest[command.words];
    if (extra !== undefined) throw new UsageError(`${args.command} does not take "${extra}" as well`);
    return await command.run(args);
  } catch (error) {
    if (error instanceof UsageError || error instanceof RangeError) {
      console.error(error.message);
      return 2;
    }
    console.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}
