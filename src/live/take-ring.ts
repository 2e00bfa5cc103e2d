// Takes the white that the ring gives where it was let go.
import { useDesk } from './desk';
import { sendOrder } from './feed';
import { reportAnswering } from './report';

/** Longer than this it does not wait for the reading. */
const ANSWER_MS = 1000;

export async function takeRing(): Promise<void> {
  const { ring: asked, setNotice } = useDesk.getState();
  if (!asked) return;
  try {
    const { ring } = await reportAnswering(sendOrder(), ANSWER_MS, new AbortController().signal);
    if (ring?.kind === 'white') useDesk.getState().setWhite(ring.white);
    else if (ring) setNotice(`White stays as it was. ${ring.why}.`);
  } catch (error) {
    setNotice(`White stays as it was: ${error instanceof Error ? error.message : String(error)}.`);
  }
}
