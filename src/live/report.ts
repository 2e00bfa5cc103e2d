// What the camera tells, apart from what is set: drawings follow every frame, words at most eight times a second, and nothing of it
// goes back to the camera.
import { create } from 'zustand';
import type { ExposureReport, RawReport, Report } from '../camera/report';
import { isUnknown, known, type Known } from '../core/units/known';

const WORDS_EVERY_MS = 125;

interface Reports {
  /** Of the newest frame: for drawings. */
  readonly report: Report | null;
  /** The same, held long enough to be read: for words. */
  readonly words: Report | null;
  take(report: Report): void;
  clear(): void;
}

let wordsDue: ReturnType<typeof setTimeout> | undefined;
let wordsAt = -Infinity;

export const useReport = create<Reports>()((set, get) => ({
  report: null,
  words: null,
  take: (report) => {
    const now = performance.now();
    if (now - wordsAt >= WORDS_EVERY_MS) {
      clearTimeout(wordsDue);
      wordsDue = undefined;
      wordsAt = now;
      set({ report, words: report });
      return;
    }
    set({ report });
    // The last one is always said.
    wordsDue ??= setTimeout(
      () => {
        wordsDue = undefined;
        wordsAt = performance.now();
        set({ words: get().report });
      },
      WORDS_EVERY_MS - (now - wordsAt),
    );
  },
  clear: () => {
    clearTimeout(wordsDue);
    wordsDue = undefined;
    wordsAt = -Infinity;
    set({ report: null, words: null });
  },
}));

export function latestReport(): Report | null {
  return useReport.getState().report;
}

/** The exposure of a report; null while there is none, or where the camera cannot know it. */
export function exposureOf(report: Report | null): ExposureReport | null {
  return report ? (known(report.exposure) ?? null) : null;
}

/** What a report tells of raw; null while there is none, or where the camera cannot know it. */
export function rawOf(report: Report | null): RawReport | null {
  return report ? (known(report.raw) ?? null) : null;
}

/** Something of raw for words. */
export function useRawWords<T>(pick: (raw: RawReport) => T): T | null {
  return useReport(({ words }) => {
    const raw = rawOf(words);
    return raw ? pick(raw) : null;
  });
}

/** Something of the exposure for words. */
export function useExposureWords<T>(pick: (exposure: ExposureReport) => T): T | null {
  return useReport(({ words }) => {
    const exposure = exposureOf(words);
    return exposure ? pick(exposure) : null;
  });
}

/** Why something is not known; null where it is. */
export function reasonOf(value: Known<unknown> | undefined): string | null {
  return isUnknown(value) ? value.unknown : null;
}

/** The report that answers an order. @throws Error when none comes in time, or the wait is aborted */
export function reportAnswering(seq: number, mostMs: number, signal: AbortSignal): Promise<Report> {
  const now = latestReport();
  if (now && now.seq >= seq) return Promise.resolve(now);
  return new Promise((resolve, reject) => {
    const end = () => {
      clearTimeout(timer);
      stop();
      signal.removeEventListener('abort', onAbort);
    };
    const onAbort = () => {
      end();
      reject(new DOMException('Cancelled', 'AbortError'));
    };
    const timer = setTimeout(() => {
      end();
      reject(new Error('the finder did not show these settings in time'));
    }, mostMs);
    const stop = useReport.subscribe(({ report }) => {
      if (!report || report.seq < seq) return;
      end();
      resolve(report);
    });
    signal.addEventListener('abort', onAbort, { once: true });
  });
}

/** The first report from that one on whose lens is not on its way; after a while the newest, wherever the lens is. */
export function focusedReport(from: Report, mostMs: number, signal: AbortSignal): Promise<Report> {
  const rests = ({ focus }: Report) => focus?.state !== 'searching';
  if (rests(from)) return Promise.resolve(from);
  return new Promise((resolve, reject) => {
    const end = (report: Report | null) => {
      clearTimeout(timer);
      stop();
      signal.removeEventListener('abort', onAbort);
      if (report) resolve(report);
      else reject(new DOMException('Cancelled', 'AbortError'));
    };
    const onAbort = () => end(null);
    signal.addEventListener('abort', onAbort, { once: true });
    const timer = setTimeout(() => end(latestReport() ?? from), mostMs);
    const stop = useReport.subscribe(({ report }) => {
      if (report && rests(report)) end(report);
    });
  });
}
