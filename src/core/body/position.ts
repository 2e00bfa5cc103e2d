// Where on the earth a frame was taken, as a device tells it (W3C Geolocation): WGS 84, with how far off it may be.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';

export const POSITION = Type.Object({
  /** Degrees, north and east positive. */
  latitudeDeg: Type.Number({ minimum: -90, maximum: 90 }),
  longitudeDeg: Type.Number({ minimum: -180, maximum: 180 }),
  /** Radius that holds the true place in 95 of 100 cases, m. */
  accuracyM: Type.Number({ minimum: 0, maximum: 5e7 }),
  /** Over the ellipsoid, m; absent where the device tells none. */
  altitudeM: Type.Optional(Type.Number({ minimum: -1e5, maximum: 1e7 })),
  /** Exif's word for how it was found, where that is known: a browser does not say. */
  method: Type.Optional(Type.Literal('MANUAL')),
  /** When it was found, ms since 1970 UTC. */
  timeMs: Type.Number({ minimum: 0, maximum: 253402214400000 }),
});
export type Position = Readonly<Static<typeof POSITION>>;

/** "12.3456° N, 1.0000° E, within 12 m". */
export function positionWords({ latitudeDeg, longitudeDeg, accuracyM }: Position): string {
  const of = (deg: number, [plus, minus]: readonly [string, string]) =>
    `${Math.abs(deg).toFixed(4)}° ${deg < 0 ? minus : plus}`;
  return `${of(latitudeDeg, ['N', 'S'])}, ${of(longitudeDeg, ['E', 'W'])}, ${withinWords(accuracyM)}`;
}

/** "within 12 m", "within 3 km". */
export function withinWords(accuracyM: number): string {
  return accuracyM < 1000 ? `within ${Math.ceil(accuracyM)} m` : `within ${Math.ceil(accuracyM / 1000)} km`;
}
