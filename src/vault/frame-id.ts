// A frame's identifier: 32 hexadecimal digits, the first twelve of them its time in ms, so that what a crash left behind
// can be dated.

export function frameId(timeMs: number, random: Uint8Array): string {
  const time = Math.max(0, Math.floor(timeMs)).toString(16).padStart(12, '0').slice(-12);
  const tail = Array.from(random.subarray(0, 10), (b) => b.toString(16).padStart(2, '0')).join('');
  return time + tail.padEnd(20, '0');
}

/** ms since 1970. */
export function timeOfId(id: string): number {
  return parseInt(id.slice(0, 12), 16);
}
