// The commands of the terminal, answered one after the other in a thread beside the tests: a process for each would start and warm up a hundred
// times over. What belongs to the process itself is tried in one.
import { join } from 'node:path';
import { receiveMessageOnPort, MessageChannel, Worker } from 'node:worker_threads';
import { buildSync } from 'esbuild';
import { LIGHT } from '../light-scenes';

const root = join(__dirname, '..', '..');
/** Scenes as they ship. */
export const SHIPPED = join(root, 'assets', 'scenes');

export interface Answer {
  readonly stdout: string;
  readonly stderr: string;
  /** 0 done, 1 refused, 2 wrong use. */
  readonly status: number;
}

export interface Terminal {
  /** Waits for the answer. @param scenes the folder that scenes come from */
  run(words: readonly string[], scenes?: string): Answer;
  close(): Promise<unknown>;
}

const SERVED = `
  import { format } from 'node:util';
  import { workerData } from 'node:worker_threads';
  import { run } from './cli/run';
  const { port, answered } = workerData;
  port.on('message', async ({ words, scenes }) => {
    process.env.VELMO_SCENES = scenes;
    let [stdout, stderr] = ['', ''];
    console.log = (...said) => void (stdout += format(...said) + '\\n');
    console.error = (...said) => void (stderr += format(...said) + '\\n');
    const status = await run(words);
    port.postMessage({ stdout, stderr, status });
    Atomics.store(answered, 0, 1);
    Atomics.notify(answered, 0);
  });
`;

export function openTerminal(): Terminal {
  const { outputFiles } = buildSync({
    stdin: { contents: SERVED, resolveDir: root },
    bundle: true,
    platform: 'node',
    write: false,
    logLevel: 'error',
  });
  const answered = new Int32Array(new SharedArrayBuffer(4));
  const { port1, port2 } = new MessageChannel();
  const worker = new Worker(outputFiles[0]!.text, {
    eval: true,
    workerData: { port: port2, answered },
    transferList: [port2],
  });
  return {
    run(words, scenes = LIGHT) {
      Atomics.store(answered, 0, 0);
      port1.postMessage({ words, scenes });
      if (Atomics.wait(answered, 0, 0, PATIENCE_MS) === 'timed-out')
        throw new Error(`No answer to ${words.join(' ')}`);
      return (receiveMessageOnPort(port1) as { message: Answer }).message;
    },
    close() {
      port1.close();
      return worker.terminate();
    },
  };
}
/** Ends what hangs, on a machine that is several times slower than any. */
const PATIENCE_MS = 90_000;
