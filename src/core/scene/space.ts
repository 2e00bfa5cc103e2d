// Where the things of a scene are: from a place in the frame to a point in the world, and back.
import type { Point3, SceneDescription } from './scene';

/** The camera's place and axes in the world. */
export interface Pose {
  readonly eye: Point3;
  readonly right: Point3;
  readonly up: Point3;
  readonly ahead: Point3;
  /** Tangent of half the field of the square plate. */
  readonly tanHalf: number;
}

export function poseOf({ eye, aim, fieldDeg }: Pick<SceneDescription, 'eye' | 'aim' | 'fieldDeg'>): Pose {
  const ahead = unit([aim[0] - eye[0], aim[1] - eye[1], aim[2] - eye[2]]);
  const right = unit(cross([0, 1, 0], ahead));
  return { eye, ahead, right, up: cross(ahead, right), tanHalf: Math.tan((fieldDeg * Math.PI) / 360) };
}

/** Place of a direction on the square plate, shares from its upper left; null when it lies behind. */
export function plateShareOf(pose: Pose, direction: Point3): { x: number; y: number } | null {
  const z = dot(direction, pose.ahead);
  if (z <= 1e-6) return null;
  const scale = 1 / (2 * pose.tanHalf * z);
  return { x: 0.5 + dot(direction, pose.right) * scale, y: 0.5 - dot(direction, pose.up) * scale };
}

export function cross(a: Point3, b: Point3): Point3 {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

export function dot(a: Point3, b: Point3): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

export function unit(v: Point3): Point3 {
  const k = 1 / Math.hypot(...v);
  return [v[0] * k, v[1] * k, v[2] * k];
}
