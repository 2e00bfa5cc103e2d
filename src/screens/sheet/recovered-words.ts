// What is said of frames that were brought back after a page was closed too early.
export function recoveredWords(frames: number): string {
  const [what, its] =
    frames === 1 ? ['1 frame is', 'its record was'] : [`${frames} frames are`, 'their records were'];
  return `${what} back in the roll: the page closed after storing and before ${its} written.`;
}
