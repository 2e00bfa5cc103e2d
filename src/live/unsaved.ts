// Frames that were taken and could not be saved. They wait here, over presses and screens, until they are saved after all or the person
// has downloaded them and lets them go; the page asks before it is left.
import { create } from 'zustand';
import type { TakenFrame } from '../camera/port';
import { fileName } from '../core/frame/file-name';
import { onFreed } from '../library/roll';
import { rollKeeper } from '../library/staff';
import { saveFile } from '../ui/save-file';
import { WorkerGone, WorkerLate } from '../workers/hire';
import type { SaveOutcome } from '../workers/save-outcome';

export interface UnsavedFrame extends TakenFrame {
  readonly reason: string;
  /** Its exposure waits in the store beside it. */
  readonly latent: boolean;
  readonly downloaded: boolean;
}

interface Unsaved {
  readonly frames: readonly UnsavedFrame[];
  readonly saving: boolean;
  add(frame: Omit<UnsavedFrame, 'downloaded'>): void;
  /** Hands the first frame to the browser's downloads. */
  download(): void;
  /** Lets the first frame go, once it was downloaded. */
  letGo(): void;
  /** Tries to save all of them again. */
  saveAgain(): Promise<void>;
}

/** @param again false once its roll was gone: the one that did not store it may have been about to go, and another is there at once */
async function saved(frame: UnsavedFrame, again = true): Promise<SaveOutcome> {
  const { record, files, thumbnailJpeg, latent } = frame;
  try {
    return await rollKeeper.call((api) => api.save({ record, files, thumbnailJpeg }, latent));
  } catch (error) {
    if (again && error instanceof WorkerGone && !(error instanceof WorkerLate)) return saved(frame, false);
    throw error;
  }
}

/** More than these would fill the memory: a press waits for one of them to find a place. */
export const MOST_UNSAVED = 3;

export const useUnsaved = create<Unsaved>()((set, get) => ({
  frames: [],
  saving: false,
  add: (frame) => set({ frames: [...get().frames, { ...frame, downloaded: false }] }),
  download: () => {
    const [first, ...rest] = get().frames;
    if (!first) return;
    for (const { format, bytes } of first.files) saveFile(bytes, fileName(first.record, format));
    set({ frames: [{ ...first, downloaded: true }, ...rest] });
  },
  letGo: () => {
    const [first, ...rest] = get().frames;
    if (!first?.downloaded) return;
    set({ frames: rest });
    // What cannot be removed now is read out again: that is one frame too many, not one too few.
    if (first.latent) rollKeeper.call((api) => api.purge([first.record.id])).catch(() => undefined);
  },
  saveAgain: async () => {
    if (get().saving) return;
    set({ saving: true });
    try {
      for (const frame of get().frames) {
        const { record } = frame;
        const outcome = await saved(frame);
        const others = get().frames.filter((other) => other.record.id !== record.id);
        if (outcome.kind === 'unsaved') {
          const again = { ...frame, reason: outcome.reason };
          set({ frames: get().frames.map((other) => (other.record.id === record.id ? again : other)) });
          break;
        }
        set({ frames: others });
      }
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      set({ frames: get().frames.map((frame, i) => (i === 0 ? { ...frame, reason } : frame)) });
      // On a busy machine it comes by and by: nobody has to ask again.
      if (error instanceof WorkerLate)
        error.comes.then(
          () => get().saveAgain(),
          () => undefined,
        );
    } finally {
      set({ saving: false });
    }
  },
}));

/** A freed place is taken at once; leaving the page with frames unsaved is asked about. Returns a function that ends both. */
export function guardUnsaved(): () => void {
  const stop = onFreed(() => {
    if (useUnsaved.getState().frames.length > 0) void useUnsaved.getState().saveAgain();
  });
  const ask = (event: BeforeUnloadEvent) => {
    if (useUnsaved.getState().frames.length > 0) event.preventDefault();
  };
  addEventListener('beforeunload', ask);
  return () => {
    stop();
    removeEventListener('beforeunload', ask);
  };
}
