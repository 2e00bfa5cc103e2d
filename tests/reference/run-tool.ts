// Runs an independent program and gives its output.
import { spawnSync } from 'node:child_process';

export function runTool(
  command: string,
  args: readonly string[],
  cwd: string,
): { stdout: Buffer; status: number | null } {
  const result = spawnSync(command, args, { cwd, maxBuffer: 1 << 28 });
  if (result.error) throw new Error(`${command} is not installed: npm test installs it`);
  return { stdout: result.stdout, status: result.status };
}

/** Samples of a 16-bit binary PGM (Netpbm, big-endian). */
export function pgmSamples(bytes: Buffer): { width: number; height: number; data: Uint16Array } {
  const head = /^P5\s+(?:#[^\n]*\n\s*)*(\d+)\s+(\d+)\s+(\d+)\s/.exec(
    bytes.subarray(0, 200).toString('latin1'),
  );
  if (!head) throw new Error('Not a PGM');
  const [width, height] = [Number(head[1]), Number(head[2])];
  const data = new Uint16Array(width * height);
  for (let i = 0; i < data.length; i++) data[i] = bytes.readUInt16BE(head[0].length + 2 * i);
  return { width, height, data };
}
