// How fast what turns passes by on the sensor.
import { poseOf } from './space';
import type { SceneView } from './view';

/**
 * How far out on the sensor a turning part goes for one turn a second, mm/s, at its farthest visible place from the axis (the
 * outermost tenth left out); 0 where nothing turns.
 */
export function spinSpeedMm({ space, size, description, camera }: SceneView): number {
  const { spin } = description;
  if (!space || !spin) return 0;
  const { eye, right, up, ahead, tanHalf } = poseOf(description);
  const speeds: number[] = [];
  for (let y = 0; y < size; y += 3)
    for (let x = 0; x < size; x += 3) {
      const i = y * size + x;
      if (space.surface[i]! >> 5 !== spin.part) continue;
      const u = ((2 * (x + 0.5)) / size - 1) * tanHalf;
      const v = (1 - (2 * (y + 0.5)) / size) * tanHalf;
      const dir = [0, 1, 2].map((k) => ahead[k]! + up[k]! * v + right[k]! * u);
      const distance = space.distance[i]!;
      const scale = distance / Math.hypot(...dir);
      const radius = Math.hypot(eye[0] + dir[0]! * scale - spin.x, eye[2] + dir[2]! * scale - spin.z);
      speeds.push((2 * Math.PI * radius * camera.lens.focalLengthMm) / distance);
    }
  speeds.sort((a, b) => a - b);
  return speeds[Math.floor(speeds.length * 0.9)] ?? 0;
}
