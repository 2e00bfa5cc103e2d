// What a scene is: plates of light, one for each lamp, seen through one lens, with the words and figures that describe
// them; where its surfaces are; what moves in it.
import type { Position } from '../body/position';
import type { LampLight } from '../sensor/sensitivities';
import type { PlateId } from '../sensor/simulated-optic';
import type { CodedPlate } from './coded-plate';
import type { Plate } from './plate';

/** How a lamp's light varies in time: with the mains at twice their frequency, or as a flame does. Depth: share of the mean. */
export type Flicker =
  | { readonly kind: 'mains'; readonly hz: number; readonly depth: number }
  | { readonly kind: 'flame'; readonly depth: number };

/** Its plate shows a white surface in `rgb`, which stands for light of a spectrum. */
export interface SceneLamp extends LampLight {
  readonly id: string;
  readonly name: string;
  /** Share of its full light in the scene as it opens, 0 … 1. */
  readonly level: number;
  readonly flicker?: Flicker;
}

/** A named patch of the scene, for people and tests: centre and half size in shares of the square plate. */
export interface ScenePatch {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  /** Luminance with all lamps at their opening level, cd/m². */
  readonly luminance: number;
  readonly distanceM: number;
  /** Reflectance in linear Rec. 709 of a test tile. */
  readonly reflectance?: readonly [number, number, number];
}

/** A flat surface that faces the camera and has a reflectance of its own: an upright square of the square plate, shares. */
export interface StatedSurface {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly half: number;
  /** Its colour, linear Rec. 709: what the plates show. */
  readonly reflectance: readonly [number, number, number];
  /** Reflectances at even distances from 380 to 780 nm; of that colour under D65. */
  readonly spectrum: readonly number[];
}

export const WHEEL_SPEEDS = ['still', 'slow', 'fast'] as const;
export type WheelSpeed = (typeof WHEEL_SPEEDS)[number];

/** Things that turn about an upright axis through (x, z), metres; `part` is their number on the surface plate. */
export interface Spin {
  readonly part: number;
  readonly name: string;
  readonly x: number;
  readonly z: number;
  readonly turnsPerS: Readonly<Record<WheelSpeed, number>>;
}

/** Stars that turn about a pole; azimuth from straight ahead (+z) to the right. */
export interface StarField {
  readonly poleElevationDeg: number;
  readonly poleAzimuthDeg: number;
  readonly seed: number;
}

export type Point3 = readonly [number, number, number];

export interface SceneDescription {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** Lens that the plates are for, and the field across the square plate, degrees. */
  readonly lens: PlateId;
  readonly fieldDeg: number;
  /** Where the camera stands and looks, metres: x right, y up, z ahead. */
  readonly eye: Point3;
  readonly aim: Point3;
  readonly lamps: readonly SceneLamp[];
  /** Lamps that are one lamp in several places: one of them burns at a time. */
  readonly oneOf?: readonly string[];
  readonly spin?: Spin;
  readonly stars?: StarField;
  readonly patches: readonly ScenePatch[];
  /** Those whose reflectance is not the smooth one of their colour. */
  readonly surfaces?: readonly StatedSurface[];
}

/** Where surfaces are, and of what kind; rows of the plate's size. */
export interface SceneSpace {
  /** Metres along the line of sight; `OPEN_SKY_M` where there is nothing. */
  readonly distance: Float32Array;
  /** Grain 0 … 15 in bits 0–3, fibre along x in bit 4, moving part in bits 5–7. */
  readonly surface: Uint8Array;
}

export const OPEN_SKY_M = 4096;

/** A scene's plates at twice its own size: more detail than a finder needs. The scene shows a square of them. */
export interface FinePlates {
  readonly lamps: readonly CodedPlate[];
  /** Upper left corner of that square on the plates, and its side, in their pixels; even numbers. */
  readonly from: number;
  readonly size: number;
  /** Where the surfaces of that square are, in rows of `size`. */
  space(): SceneSpace;
}

/** A scene in memory. Plates are square, linear Rec. 709 with luminance in cd/m². */
export interface Scene {
  readonly description: SceneDescription;
  readonly size: number;
  readonly lamps: readonly Plate[];
  /** Absent in the first look. */
  readonly space?: SceneSpace;
  /** Where more was rendered. */
  readonly fine?: FinePlates;
}

/** Where a simulated device finds itself in front of a scene. */
export type ScenePlace = Omit<Position, 'timeMs'>;

/** A scene as the list of scenes tells of it, before it is loaded: its packs by lens, and their sizes in bytes. */
export interface SceneListing extends Omit<SceneDescription, 'lens' | 'fieldDeg' | 'patches' | 'surfaces'> {
  readonly place: ScenePlace;
  readonly lenses: readonly PlateId[];
  readonly bytes: Readonly<Partial<Record<PlateId, number>>>;
}
