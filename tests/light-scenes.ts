// Loaded by tests that are not about the detail of scenes: they find those with a part of it, which are read several times sooner.
import { join } from 'node:path';

/** Scenes with a part of their detail, made by `tools/build.mjs`. */
export const LIGHT = join(__dirname, '..', '.cache', 'light-scenes');
process.env.VELMO_SCENES ??= LIGHT;
