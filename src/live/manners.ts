// How the program behaves beside the picture: a sound and a tap for the hand when frames are taken and while a count runs, and a screen that stays awake
// under the finder. Each as the person wants it; a device that lacks one simply does without.
import { shutterSound, tickSound, type Sound } from '../core/manners/sounds';
import { useDesk } from './desk';

/** Taps for the hand, ms. */
const TAKEN_MS = 20;
const TICK_MS = 10;

let audio: AudioContext | undefined;

/** Browsers let a page be heard once the person has touched it: nothing is made before it is wanted. */
function play(sound: (rate: number) => Sound): void {
  if (typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  const { samples } = sound(audio.sampleRate);
  const buffer = audio.createBuffer(1, samples.length, audio.sampleRate);
  buffer.copyToChannel(samples, 0);
  const source = audio.createBufferSource();
  source.buffer = buffer;
  source.connect(audio.destination);
  source.start();
}

function tapHand(ms: number): void {
  (navigator as { vibrate?: (ms: number) => boolean }).vibrate?.(ms);
}

/** Sounds and taps by what happens on the desk. Returns a function that ends them. */
export function minding(): () => void {
  return useDesk.subscribe((now, before) => {
    const { sound, haptics } = now.manners;
    if (now.taken > before.taken) {
      if (sound) play(shutterSound);
      if (haptics) tapHand(TAKEN_MS);
    }
    const { capture } = now;
    if (capture === before.capture || capture.kind !== 'waiting') return;
    if (sound) play(tickSound);
    if (haptics) tapHand(TICK_MS);
  });
}

/** Keeps the screen awake while it is wanted and the page is looked at. Returns a function that lets it sleep. */
export function keepingAwake(): () => void {
  const { wakeLock } = navigator as { wakeLock?: WakeLock };
  let held: WakeLockSentinel | undefined;
  let over = false;
  const look = async () => {
    const wanted = !over && useDesk.getState().manners.awake && document.visibilityState === 'visible';
    if (wanted && (!held || held.released)) {
      // A device low on charge may refuse: then its screen does as it does.
      held = await wakeLock?.request('screen').catch(() => undefined);
      if (over) await held?.release();
    } else if (!wanted && held && !held.released) await held.release();
  };
  void look();
  const onVisible = () => void look();
  document.addEventListener('visibilitychange', onVisible);
  const stop = useDesk.subscribe((now, before) => {
    if (now.manners !== before.manners) void look();
  });
  return () => {
    over = true;
    stop();
    document.removeEventListener('visibilitychange', onVisible);
    void look();
  };
}
