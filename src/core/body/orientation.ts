// How the camera is held.

export type Orientation = 'portrait' | 'landscape';
