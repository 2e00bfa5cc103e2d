// Why raw and picture differ, with true numbers; and two exposures side by side.
import { colourOfNeutral } from '../colour/camera';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { compareExposures } from '../scopes/compare';
import { whyTheyDiffer } from './difference';

const colour = colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.8]);
const none = { onlyPicture: 0, onlyRaw: 0, both: 0, pictureWhite: 0, pictureBlack: 0 };

describe('why they differ', () => {
  it('says which looks burnt and which is', () => {
    const verdict = (over: object) => whyTheyDiffer(colour, { iso: 100 }, { ...none, ...over }).verdict;
    expect(verdict({ onlyPicture: 0.031 })).toMatch(/3\.1 % looks burnt in the picture and is whole in raw/);
    expect(verdict({ onlyRaw: 0.0042, both: 0.01 })).toMatch(
      /0\.42 % is burnt in raw.*1\.0 % is burnt in both/,
    );
    expect(verdict({ onlyPicture: 0.02, onlyRaw: 0.01 })).toMatch(/2\.0 %.*1\.0 %/);
    expect(verdict({ both: 0.05 })).toMatch(/agree: 5\.0 %/);
    expect(verdict({})).toMatch(/agree/);
  });
  it('names the gains of the white balance, the place of mid-grey, and extended ISO only where it is', () => {
    const [balance, curve] = whyTheyDiffer(colour, { iso: 100 }, none).causes;
    expect(balance).toMatch(/red ×2\.00 and blue ×1\.25.*red is full 1\.0 EV/);
    expect(curve).toMatch(/3\.3 EV under clip/);
    const at = (iso: number) => whyTheyDiffer(colour, { iso }, none).causes.join(' ');
    expect(at(100)).not.toMatch(/extended/);
    expect(at(50)).toMatch(/ISO 50 is extended.*1\.0 EV darker/);
  });
  it('says nothing of a white balance that lifts nothing', () => {
    const flat = { ...colour, asShotNeutral: [1, 1, 1] as const };
    expect(whyTheyDiffer(flat, { iso: 100 }, none).causes.join(' ')).not.toMatch(/White balance/);
  });
});

describe('two exposures', () => {
  const shot = (iso: number, data: number[], code: number, shutterS = 1 / 64) => ({
    frame: { data: Uint16Array.from(data), settings: { shutterS, iso, apertureN: 1.8, compensationEv: 0 } },
    rgba: new Uint8ClampedArray(16).fill(code),
  });
  it('of ISO 100 and 50 are one raw and a picture a stop darker', () => {
    expect(compareExposures(shot(100, [1, 2, 3], 120), shot(50, [1, 2, 3], 84))).toEqual({
      rawIdentical: true,
      rawDiffering: 0,
      rawEv: expect.closeTo(0, 9),
      pictureEv: expect.closeTo(-1, 9),
      pictureCodes: expect.closeTo(-36, 9),
    });
  });
  it('of two times are two raws', () => {
    const { rawIdentical, rawDiffering, rawEv, pictureEv } = compareExposures(
      shot(100, [1, 2, 3, 4], 120),
      shot(100, [1, 2, 9, 9], 150, 1 / 32),
    );
    expect([rawIdentical, rawDiffering, rawEv, pictureEv]).toEqual([false, 0.5, 1, 1]);
  });
  it('of different sizes are not compared', () => {
    expect(() => compareExposures(shot(100, [1], 1), shot(100, [1, 2], 1))).toThrow(/sizes/);
  });
});
