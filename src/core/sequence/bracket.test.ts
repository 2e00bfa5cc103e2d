// Brackets: steps, orders, limits with their ways out; and the set that a scene's range asks for, held against every level of the scene.
import fc from 'fast-check';
import { bracketWords, parseBracket } from './drives/bracket';
import {
  BRACKET_ORDERS,
  bracketed,
  bracketThirds,
  MOST_FRAMES,
  MOST_STEP_THIRDS,
  type Bracket,
} from './bracket';
import { highlightsToClip, planBracket, type BracketPlan } from './plan-bracket';

const exposure = { shutterS: 1 / 128, iso: 100, apertureN: 1.8, compensationEv: 0 };
const set = (frames: number, stepThirds: number, change: Partial<Bracket> = {}): Bracket => ({
  ...{ frames, stepThirds, order: 'rising', by: 'shutter' },
  ...change,
});

describe('steps', () => {
  it('lie evenly about the middle, in the order that was asked for', () => {
    expect(bracketThirds(set(5, 3))).toEqual([-6, -3, 0, 3, 6]);
    expect(bracketThirds(set(3, 2, { order: 'falling' }))).toEqual([2, 0, -2]);
    expect(bracketThirds(set(5, 3, { order: 'middle' }))).toEqual([0, -3, 3, -6, 6]);
    expect(bracketThirds(set(1, 3))).toEqual([0]);
    // Of an even number none lies in the middle; what cannot be halved leans to the light.
    expect(bracketThirds(set(4, 2))).toEqual([-3, -1, 1, 3]);
    expect(bracketThirds(set(2, 3))).toEqual([-1, 2]);
  });

  it('are the same set in any order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: MOST_FRAMES }),
        fc.integer({ min: 1, max: MOST_STEP_THIRDS }),
        (frames, step) => {
          const sorted = BRACKET_ORDERS.map((order) =>
            bracketThirds(set(frames, step, { order })).sort((a, b) => a - b),
          );
          expect(sorted[1]).toEqual(sorted[0]);
          expect(sorted[2]).toEqual(sorted[0]);
          const gaps = sorted[0]!.slice(1).map((third, i) => third - sorted[0]![i]!);
          expect(gaps.every((gap) => gap === step)).toBe(true);
        },
      ),
    );
  });
});

describe('exposures', () => {
  it('differ in time alone, or in ISO alone, and say so in their compensation', () => {
    const made = bracketed({ ...exposure, compensationEv: -1 / 3 }, set(3, 3));
    if (made.kind !== 'fits') throw new Error('does not fit');
    expect(made.shots.map(({ shutterS }) => 128 * shutterS)).toEqual([0.5, 1, 2]);
    expect(made.shots.map(({ compensationEv }) => Math.round(3 * compensationEv))).toEqual([-4, -1, 2]);
    expect(new Set(made.shots.map(({ iso, apertureN }) => `${iso} ${apertureN}`)).size).toBe(1);
    const byIso = bracketed({ ...exposure, iso: 400 }, set(3, 3, { by: 'iso' }));
    if (byIso.kind !== 'fits') throw new Error('does not fit');
    expect(byIso.shots.map(({ iso }) => iso)).toEqual([200, 400, 800]);
    expect(new Set(byIso.shots.map(({ shutterS }) => shutterS)).size).toBe(1);
  });

  it('beyond an end are told before the first is made, with the ways out that do fit', () => {
    // 1/8192 s is the shortest: two steps of 2 EV below 1/2048 s are two thirds of them too far.
    const short = bracketed({ ...exposure, shutterS: 1 / 2048 }, set(5, 6));
    expect(short).toMatchObject({ kind: 'beyond', underThirds: 6, overThirds: 0 });
    if (short.kind !== 'beyond') return;
    expect(short.remedies).toEqual({ shiftThirds: 6, frames: 3, by: null });
    const moved = { ...exposure, shutterS: (1 / 2048) * 2 ** (6 / 3) };
    expect(bracketed(moved, set(5, 6)).kind).toBe('fits');
    expect(bracketed({ ...exposure, shutterS: 1 / 2048 }, set(3, 6)).kind).toBe('fits');
    // By ISO there is nothing below the base.
    const iso = bracketed(exposure, set(3, 3, { by: 'iso' }));
    expect(iso).toMatchObject({
      kind: 'beyond',
      underThirds: 3,
      remedies: { shiftThirds: 3, by: 'shutter' },
    });
    // Wider than all that there is.
    const wide = bracketed({ ...exposure, iso: 800 }, set(9, 9, { by: 'iso' }));
    expect(wide).toMatchObject({ kind: 'beyond', remedies: { shiftThirds: null } });
  });

  it('whatever the middle, a way out that is told fits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -39, max: 15 }),
        fc.integer({ min: 2, max: MOST_FRAMES }),
        fc.integer({ min: 1, max: MOST_STEP_THIRDS }),
        (third, frames, step) => {
          const middle = { ...exposure, shutterS: 2 ** (third / 3) };
          const made = bracketed(middle, set(frames, step));
          if (made.kind === 'fits') return;
          const { shiftThirds, frames: fewer, by } = made.remedies;
          if (shiftThirds !== null)
            expect(
              bracketed({ ...middle, shutterS: middle.shutterS * 2 ** (shiftThirds / 3) }, set(frames, step))
                .kind,
            ).toBe('fits');
          if (fewer !== null) expect(bracketed(middle, set(fewer, step)).kind).toBe('fits');
          if (by !== null) expect(bracketed(middle, set(frames, step, { by })).kind).toBe('fits');
        },
      ),
    );
  });
});

/** What each frame of a set holds, in rising light: stops below the highlights that count where it clips, and where it is no longer clean. */
function spansOf(plan: BracketPlan & { kind: 'set' }, headroomEv: number, sensorEv: number) {
  return bracketThirds({ ...plan, order: 'rising' }).map((third) => {
    const clipEv = (plan.middleThirds + third) / 3 - headroomEv;
    return { clipEv, cleanEv: clipEv + sensorEv };
  });
}

describe('a set planned from the scene', () => {
  const SENSOR = 9.5;
  const planned = (sceneEv: number, headroomEv = 0.5, sensorEv = SENSOR) =>
    planBracket({ sceneEv, sensorEv, frames: null }, headroomEv, { under: 99, over: 99 });

  it('is one frame where one holds the scene, just under clip', () => {
    expect(planned(6.8, 1.7)).toMatchObject({ kind: 'one', middleThirds: 5 });
    expect(planned(0, -2.1)).toMatchObject({ kind: 'one', middleThirds: -7 });
  });

  it('holds every level between the ends clean and unclipped, a stop or more in common, with as few frames as can be', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 9, max: 26, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: 3, max: 12, noNaN: true }),
        (sceneEv, headroomEv, sensorEv) => {
          const plan = planned(sceneEv, headroomEv, sensorEv);
          if (plan.kind === 'none') {
            // Nine frames three stops apart, or a stop in common, do not reach.
            expect(sensorEv + 8 * Math.min(3, Math.floor(3 * (sensorEv - 1)) / 3)).toBeLessThan(
              sceneEv + 0.7,
            );
            return;
          }
          const spans =
            plan.kind === 'one'
              ? [
                  {
                    clipEv: plan.middleThirds / 3 - headroomEv,
                    cleanEv: plan.middleThirds / 3 - headroomEv + sensorEv,
                  },
                ]
              : spansOf(plan, headroomEv, sensorEv);
          // The darkest clips nothing that counts; the brightest has the last shadow clean; between them no gap.
          expect(spans[0]!.clipEv).toBeLessThanOrEqual(1e-3);
          expect(spans.at(-1)!.cleanEv).toBeGreaterThan(sceneEv - 1 / 3 - 1e-3);
          spans
            .slice(1)
            .forEach(({ clipEv }, i) => expect(spans[i]!.cleanEv - clipEv).toBeGreaterThanOrEqual(1 - 1e-3));
          if (plan.kind === 'set' && plan.frames > 2) {
            // With one fewer, at the widest step that may be, the last shadow would be lost.
            const most = Math.min(MOST_STEP_THIRDS, Math.floor(3 * (sensorEv - 1) + 1e-3));
            expect(spans[0]!.clipEv + ((plan.frames - 2) * most) / 3 + sensorEv).toBeLessThan(sceneEv + 1e-3);
          }
        },
      ),
      { numRuns: 400 },
    );
  });

  it('where time ends, of what there is: inside of it, and what is left out is told to the third', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 24, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: 4, max: 12, noNaN: true }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        (sceneEv, headroomEv, sensorEv, under, over) => {
          const range = { sceneEv, sensorEv, frames: null };
          const plan = planBracket(range, headroomEv, { under, over });
          if (plan.kind === 'none') return;
          const set = plan.kind === 'set' ? plan : { ...plan, frames: 1, stepThirds: 1 };
          const thirds = bracketThirds({ ...set, order: 'rising' }).map((third) => set.middleThirds + third);
          const [darkest, brightest] = [thirds[0]!, thirds.at(-1)!];
          expect(darkest).toBeGreaterThanOrEqual(-under);
          expect(brightest).toBeLessThanOrEqual(over);
          // By how much the darkest clips what counts, and the brightest has the last shadow under the clean line.
          const clips = darkest - 3 * headroomEv;
          const sinks = 3 * (headroomEv + sceneEv - sensorEv) - brightest;
          const { highlights, shadows } = plan.left;
          expect([clips <= highlights + 1e-2, sinks <= shadows + 1e-2]).toEqual([true, true]);
          if (highlights > 0) expect([darkest + under, clips > highlights - 1 - 1e-2]).toEqual([0, true]);
          // Steps are thirds: even ones may end before the last that there is.
          if (shadows > 0) expect(brightest).toBeGreaterThan(over - set.frames);
          if (plan.kind === 'set') expect(sensorEv - set.stepThirds / 3).toBeGreaterThanOrEqual(1 - 1e-3);
        },
      ),
      { numRuns: 600 },
    );
  });

  it('or of any set: the darkest frame moved to where the highlights that count just do not clip', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: MOST_FRAMES }),
        fc.integer({ min: 1, max: MOST_STEP_THIRDS }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        (frames, step, headroomEv) => {
          const shift = highlightsToClip(set(frames, step), headroomEv);
          const darkest = shift + Math.min(...bracketThirds(set(frames, step)));
          expect(headroomEv - darkest / 3).toBeGreaterThanOrEqual(-1e-3);
          expect(headroomEv - darkest / 3).toBeLessThan(1 / 3 + 1e-3);
        },
      ),
    );
  });

  it('says why there is none', () => {
    expect(planned(Infinity)).toMatchObject({ kind: 'none' });
    expect(planned(12, Infinity)).toMatchObject({ kind: 'none', why: /no light/ });
    expect(planned(40)).toMatchObject({ kind: 'none', why: /9 frames/ });
    expect(planned(12, 0, 0.9)).toMatchObject({ kind: 'none' });
  });
});

describe('in words', () => {
  it('goes there and back', () => {
    expect(bracketWords(parseBracket('5x1'))).toBe('5 × 1 EV, middle first');
    expect(parseBracket('3x2/3,rising,iso')).toEqual({
      frames: 3,
      stepThirds: 2,
      order: 'rising',
      by: 'iso',
    });
    expect(parseBracket('9x3,falling').order).toBe('falling');
  });

  it.each(['', '1x1', '10x1', '3x0', '3x4', '3', 'x1', '3x1,sideways', 'planned', '3xNaN'])(
    'refuses "%s"',
    (text) => expect(() => parseBracket(text)).toThrow(/--bracket is frames x EV/),
  );
});
