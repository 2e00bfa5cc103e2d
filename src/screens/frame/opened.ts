// Opening a frame: first what is needed to see it, then what looking through its files tells.
import { useEffect, useState } from 'react';
import { printOf, type FrameRecord } from '../../core/frame/record';
import type { Opened, OpenedFile } from '../../workers/lightbox.worker';
import { WorkerGone, WorkerLate, WorkerReplaced } from '../../workers/hire';
import { lightbox } from '../../library/staff';

export type FrameState =
  /** `preview`: the picture that the file carries, as long as it is developed as that was. */
  | { readonly kind: 'opening'; readonly preview?: ImageBitmap }
  | { readonly kind: 'open'; readonly opened: Opened; readonly file: OpenedFile | null }
  /** `there`: the bytes themselves can be had. */
  | { readonly kind: 'failed'; readonly message: string; readonly there: boolean };

/** @param attempt a change of it opens the frame again. What failed stays so until then */
export function useOpening(record: FrameRecord, attempt: number): FrameState {
  const [state, setState] = useState<{ readonly of: string; readonly opening: FrameState }>({
    of: '',
    opening: { kind: 'opening' },
  });
  const key = `${record.id} ${attempt}`;
  const plain = !record.rewhite && !record.reframe && printOf(record) === null;
  useEffect(() => {
    let gone = false;
    const set = (opening: FrameState) => !gone && setState({ of: key, opening });
    const fail = (message: string, there: boolean) => set({ kind: 'failed', message, there });
    // Whatever becomes of the lightbox, the file is where it was.
    const stop = lightbox.onFault((error) => {
      if (!(error instanceof WorkerReplaced)) return fail(`${error.message}.`, true);
      set({ kind: 'opening' });
      begin();
    });
    const open = async () => {
      if (plain) {
        const preview = await lightbox.call((api) => api.preview(record));
        // Whoever went on to the next frame must not wait for this one.
        if (gone) return preview?.close();
        if (preview) set({ kind: 'opening', preview });
      }
      const opened = await lightbox.call((api) => api.open(record));
      set({ kind: 'open', opened, file: null });
      // What is seen comes first: it is asked for before this answers.
      await new Promise((next) => setTimeout(next, 0));
      if (gone) return;
      const file = await lightbox.call((api) => api.facts(record));
      set({ kind: 'open', opened, file });
    };
    const begin = (): void =>
      void open().catch((error: unknown) => {
        // It is opened again already.
        if (error instanceof WorkerReplaced) return;
        const { name = '', message = String(error) } = (error ?? {}) as Partial<Error>;
        fail(message, name === 'DngError' || error instanceof WorkerGone);
        // On a slow machine it comes after all: nobody should have to ask again then.
        if (error instanceof WorkerLate)
          lightbox.ready().then(
            () => !gone && begin(),
            () => undefined,
          );
      });
    begin();
    return () => {
      gone = true;
      stop();
    };
    // What is said of a frame afterwards does not change its files.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key]);
  return state.of === key ? state.opening : { kind: 'opening' };
}

/** Has the files of frames read that may be wanted next. @param now false while there is something to be waited for */
export function useAhead(now: boolean, beside: readonly FrameRecord[]): void {
  const ids = beside.map(({ id }) => id).join();
  useEffect(() => {
    // Without it they are read when they are opened.
    if (now && ids) lightbox.call((api) => api.ahead(beside)).catch(() => undefined);
    // By what they are called: the list is made anew with every drawing.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [now, ids]);
}
