// How long each stage of a frame took.
import type { FinderStage, Report } from './report';

export interface Stopwatch {
  readonly stageMs: Report['stageMs'];
  /** Counts the time since the last call to a stage. */
  lap(stage: FinderStage): void;
}

export function stopwatch(): Stopwatch {
  const stageMs: Record<FinderStage, number> = {
    light: 0,
    expose: 0,
    scopes: 0,
    meter: 0,
    develop: 0,
    draw: 0,
  };
  let mark = performance.now();
  return {
    stageMs,
    lap: (stage) => {
      const now = performance.now();
      stageMs[stage] += now - mark;
      mark = now;
    },
  };
}
