// How many frames fit: reckoned as they are stored, up to where the browser really ends.
import { framesThatFit } from './room';

const FRAME = 15_000_000;
const STORED = FRAME + 60_000;

describe('room in the store', () => {
  it('counts frames as they are stored, with thumbnail and record', () => {
    const fits = framesThatFit({ usage: 0, quota: 2_000_000 + 10 * STORED + 1 }, FRAME, null);
    expect(fits).toBe(10);
  });
  it('ends where the browser refused, whatever it had promised', () => {
    const promised = { usage: 5e9, quota: 20e9 };
    expect(framesThatFit(promised, FRAME, null)).toBeGreaterThan(700);
    expect(framesThatFit(promised, FRAME, 5e9)).toBe(0);
    // Two frames were removed.
    expect(framesThatFit({ ...promised, usage: 5e9 - 2 * STORED }, FRAME, 5e9)).toBe(2);
  });
  it('is never less than none', () => {
    expect(framesThatFit({ usage: 9e9, quota: 1e9 }, FRAME, null)).toBe(0);
    expect(framesThatFit({ usage: 0, quota: 0 }, FRAME, 0)).toBe(0);
  });
});
