// Incident light, ISO 2720: E = 2.5 lx is EV 0, 320 EV 7, 81 920 EV 15 with C = 250.
import { C_DOME, C_FLAT } from '../light/apex';
import { incidentEv100, parseLux, simulatedLux } from './incident';
import { decodeReflectance, encodeReflectance, REFLECTANCE_SIDE } from './reflectance';

describe('an incident reading', () => {
  it.each([
    [2.5, 0],
    [320, 7],
    [81_920, 15],
  ])('%d lx is EV %d on a flat receptor', (lux, ev) => expect(incidentEv100(lux, 'flat')).toBeCloseTo(ev, 9));

  it('on a dome asks for 0.40 EV more: 330 against 250', () => {
    expect(incidentEv100(320, 'flat') - incidentEv100(320, 'dome')).toBeCloseTo(
      Math.log2(C_DOME / C_FLAT),
      9,
    );
  });

  it('of a grey card agrees with the reflected one within the constants: K·π/(0.18·C) is −0.20 EV', () => {
    // L = ρ·E/π on a matte surface of 18 %.
    const lux = 1000;
    const reflected = Math.log2((((0.18 * lux) / Math.PI) * 100) / 12.5);
    expect(reflected - incidentEv100(lux, 'flat')).toBeCloseTo(Math.log2((0.18 * 250) / (Math.PI * 12.5)), 9);
  });

  it.each(['320', '320 lx', '81 920', '2,5', '0.5lux', '12 klx'])('takes %j as typed', (text) => {
    expect(parseLux(text)).toBeGreaterThan(0);
  });
  it('reads thousands', () => expect([parseLux('12 klx'), parseLux('81 920')]).toEqual([12_000, 81_920]));
  it.each(['', 'bright', '-3', '0', '1e9', '2000000', 'NaN', '3 lm'])(
    'refuses %j and says what is allowed',
    (text) => {
      expect(() => parseLux(text)).toThrow(/0\.001 … 1 000 000 lx/);
    },
  );
  it('refuses what is no illuminance', () => {
    for (const bad of [NaN, -1, Infinity]) expect(() => incidentEv100(bad, 'flat')).toThrow(RangeError);
    expect(incidentEv100(0, 'flat')).toBe(-Infinity);
  });
});

describe('the simulated hand meter', () => {
  const side = REFLECTANCE_SIDE;
  const crop = { x: 0, y: 0.125, width: 1, height: 0.75 };
  const at = { x: 0.25, y: 0.5 };
  const lux = 900;
  const frame = (rho: (x: number) => number) => ({
    reflectance: Float32Array.from({ length: side * side }, (_, i) => rho(i % side)),
    luminance: {
      width: side,
      height: 96,
      data: Float32Array.from({ length: side * 96 }, (_, i) => (rho(i % side) * lux) / Math.PI),
    },
  });

  it('reads the same light on a dark surface as on a light one: E = π·L/ρ', () => {
    const { luminance, reflectance } = frame((x) => (x < 64 ? 0.03 : 0.9));
    expect(simulatedLux(luminance, reflectance, crop, at, 'flat')).toBeCloseTo(lux, 2);
    expect(simulatedLux(luminance, reflectance, crop, { x: 0.75, y: 0.5 }, 'flat')).toBeCloseTo(lux, 2);
    expect(simulatedLux(luminance, reflectance, crop, at, 'dome')).toBeCloseTo(lux * 1.32, 2);
  });

  it('passes over a glint', () => {
    const { luminance, reflectance } = frame(() => 0.4);
    luminance.data[48 * side + 32] = 1e6;
    expect(simulatedLux(luminance, reflectance, crop, at, 'flat')).toBeCloseTo(lux, 2);
  });

  it('says nothing where there is no surface', () => {
    const { luminance, reflectance } = frame(() => 0);
    expect(simulatedLux(luminance, reflectance, crop, at, 'flat')).toBeNull();
  });
});

describe('a map of reflectance', () => {
  it('comes back within 1 % of full', () => {
    const rho = Float32Array.from({ length: REFLECTANCE_SIDE ** 2 }, (_, i) => (i % 100) / 99);
    const back = decodeReflectance(encodeReflectance(rho));
    expect(back.every((v, i) => Math.abs(v - rho[i]!) < 0.005)).toBe(true);
  });
  it('that is none is refused', () => {
    expect(() => decodeReflectance(new Uint8Array(40))).toThrow(RangeError);
    expect(() => decodeReflectance(encodeReflectance(new Float32Array(9)))).toThrow(/another size/);
  });
});
