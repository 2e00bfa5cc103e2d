// A pause in a worker's long work, in which it hears what it was asked meanwhile.

const turn = new MessageChannel();
const waiting: (() => void)[] = [];
turn.port1.onmessage = () => waiting.shift()?.();

/** Resolves after whatever waits to be heard: a message to oneself comes behind it. */
export function pause(): Promise<void> {
  return new Promise((resolve) => {
    waiting.push(resolve);
    turn.port2.postMessage(null);
  });
}
