// Attitude of a device by the matrix of the W3C Device Orientation Event specification (section 4.1: R = Z(alpha)·X(beta)·Y(gamma)), built
// here from its three rotations.
import { attitudeOfDevice, isLevel, levelView, rollWords } from './attitude';

const RAD = Math.PI / 180;
type M = readonly (readonly number[])[];
const times = (a: M, b: M): M =>
  a.map((row) => b[0]!.map((_, j) => row.reduce((sum, v, k) => sum + v * b[k]![j]!, 0)));

/** Device axes in those of the earth: east, north, up. */
function turned(alpha: number, beta: number, gamma: number): M {
  const [cz, sz, cx, sx, cy, sy] = [alpha, beta, gamma].flatMap((a) => [
    Math.cos(a * RAD),
    Math.sin(a * RAD),
  ]) as [number, number, number, number, number, number];
  const z = [
    [cz, -sz, 0],
    [sz, cz, 0],
    [0, 0, 1],
  ];
  const x = [
    [1, 0, 0],
    [0, cx, -sx],
    [0, sx, cx],
  ];
  const y = [
    [cy, 0, sy],
    [0, 1, 0],
    [-sy, 0, cy],
  ];
  return times(times(z, x), y);
}

describe('a device that tells its angles', () => {
  it.each([
    ['upright before the eyes', 90, 0, 0, 0, 0],
    ['flat on a table, screen up: the camera looks straight down', 0, 0, 0, 0, -90],
    ['leaned back by 20°: the camera looks up', 110, 0, 0, 0, 20],
    ['lying on its left side, what is shown turned with it', 0, -90, 90, 0, 0],
    ['lying on its right side', 0, 90, 270, 0, 0],
  ])('%s', (_, beta, gamma, screen, roll, pitch) => {
    const attitude = attitudeOfDevice(beta, gamma, screen)!;
    expect(attitude.rollDeg).toBeCloseTo(roll, 6);
    expect(attitude.pitchDeg).toBeCloseTo(pitch, 6);
  });

  it.each([
    [0, 80, 5],
    [120, 95, -12],
    [300, 60, 30],
    [45, 100, 88],
  ])('is held as the matrix of the specification turns it: %d, %d, %d', (alpha, beta, gamma) => {
    const m = turned(alpha, beta, gamma);
    // The camera looks out of the back. How high it looks, and how high its right side points, is told by the earth's up.
    const look = -m[2]![2]!;
    const [right, top] = [m[2]![0]!, m[2]![1]!];
    const { rollDeg, pitchDeg } = attitudeOfDevice(beta, gamma, 0)!;
    expect(Math.sin(pitchDeg * RAD)).toBeCloseTo(look, 9);
    expect(rollDeg).toBeCloseTo(Math.atan2(-right, top) / RAD, 9);
  });

  it.each([
    [null, 0],
    [0, null],
    [NaN, 0],
    [Infinity, 3],
  ])('tells nothing: %p, %p', (beta, gamma) => {
    expect(attitudeOfDevice(beta, gamma, 0)).toBeNull();
  });
});

describe('the level', () => {
  it('shows the horizon where a lens sees it: looking up, below the middle by the tangent', () => {
    expect(levelView({ rollDeg: 3, pitchDeg: 10 })).toEqual({
      kind: 'horizon',
      rollDeg: 3,
      above: expect.closeTo(-Math.tan(10 * RAD), 9) as number,
    });
  });

  it('looking down shows how far off the plumb line it points, and is level there too', () => {
    expect(levelView({ rollDeg: 0, pitchDeg: -88 })).toMatchObject({
      kind: 'down',
      aheadDeg: expect.closeTo(2) as number,
    });
    expect(isLevel({ rollDeg: 130, pitchDeg: -89.9 })).toBe(true);
    expect(isLevel({ rollDeg: 0.2, pitchDeg: 25 })).toBe(true);
    expect(isLevel({ rollDeg: -1, pitchDeg: 0 })).toBe(false);
  });

  it('names the side', () => {
    expect(rollWords({ rollDeg: 2.14, pitchDeg: 0 })).toBe('2.1° clockwise');
    expect(rollWords({ rollDeg: -1, pitchDeg: 0 })).toMatch(/counter/);
    expect(rollWords({ rollDeg: 0.1, pitchDeg: 0 })).toBe('level');
  });
});
