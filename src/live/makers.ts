// Who makes frames of what waits, by the kinds of recipes.
import type { Maker } from '../camera/port';
import { recipeOf, type Latent, type RecipeKind } from '../core/frame/queue';
import { simulated } from './camera';

const MAKERS: Readonly<Record<RecipeKind, Maker>> = { expose: simulated };

export function makerOf(latent: Latent): Maker {
  return MAKERS[recipeOf(latent)];
}
