// Frames made up for checks: surfaces in the light of lamps, as the simulated sensor would count them, without noise.
import { answer, ofUnitLuminance, spectrumOfLight, type LightKind } from '../colour/spectra';
import { reflectanceOf } from '../colour/surface-spectra';
import type { Vec3 } from '../numeric/matrix';
import { cfaIndex, type BayerPhase, type NoiseModel } from '../sensor/raw-frame';
import { SIM_COLOUR } from '../sensor/sim-colour';

/** What is at a place, in shares of the frame: a surface in linear Rec. 709 and the lamp that lights it. */
export type Place = (
  x: number,
  y: number,
) => { readonly surface: Vec3; readonly light: LightKind; readonly level?: number };

export const QUIET: NoiseModel = { shot: 0.01, read: 0.2 };
export const DAYLIGHT: LightKind = { kind: 'daylight', kelvin: 6000 };
export const FILAMENT: LightKind = { kind: 'planck', kelvin: 2800 };

const cameraOf = new Map<string, Vec3>();

function seen(surface: Vec3, light: LightKind): Vec3 {
  const key = JSON.stringify([surface, light]);
  let camera = cameraOf.get(key);
  if (!camera) {
    const power = ofUnitLuminance(spectrumOfLight(light));
    const of = reflectanceOf(surface);
    camera = SIM_COLOUR.sensitivities.map((site) => answer(site, power, of)) as unknown as Vec3;
    cameraOf.set(key, camera);
  }
  return camera;
}

/** @param full DN above black of a white surface's green site at level 1 */
export function madeFrame(
  place: Place,
  { width = 320, height = 240, phase = [0, 0] as BayerPhase, full = 2400 } = {},
) {
  const [black, white] = [256, 4095];
  const data = new Uint16Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const { surface, light, level = 1 } = place(x / width, y / height);
      const site = cfaIndex(x + phase[0], y + phase[1]);
      const value = seen(surface, light)[site === 0 ? 0 : site === 3 ? 2 : 1]!;
      data[y * width + x] = Math.min(white, Math.round(black + full * level * value));
    }
  return { width, height, layout: 'cfa' as const, phase, data, black, white, noise: QUIET };
}

/** Greys and colours in a board of so many fields across, half of them grey; warm and cool colours are as many. */
export function board(light: LightKind, across = 12): Place {
  const colours: readonly Vec3[] = [
    [0.6, 0.6, 0.6],
    [0.5, 0.2, 0.1],
    [0.4, 0.4, 0.4],
    [0.1, 0.2, 0.45],
    [0.25, 0.4, 0.15],
    [0.8, 0.8, 0.8],
    [0.45, 0.3, 0.35],
    [0.5, 0.5, 0.5],
    [0.2, 0.35, 0.35],
    [0.7, 0.7, 0.7],
    [0.55, 0.5, 0.2],
  ];
  return (x, y) => ({
    surface: colours[(Math.floor(across * x) + 3 * Math.floor(0.75 * across * y)) % colours.length]!,
    light,
  });
}
