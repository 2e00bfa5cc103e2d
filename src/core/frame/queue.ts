// What is to be made into a frame, safe before it is made: its facts, and a recipe that says by whom it is made and from what. The queue keeps it in
// order, tells of it and lets it be cancelled; only its maker looks into the recipe.
import * as Type from '@sinclair/typebox';
import type { ExposureSettings } from '../exposure/settings';
import { FACTS, type Facts } from '../facts/facts';
import { settingsForward } from '../setting/values';

export const LATENT_VERSION = 1;

/** Kinds of recipes. What is stored without a kind is an exposure that is to be read out: the first there was. */
export const RECIPES = ['expose'] as const;
export type RecipeKind = (typeof RECIPES)[number];

/** What waits to be made. Beside this there stands whatever the maker needs, under keys of its own. */
export interface Latent extends Facts {
  readonly version: typeof LATENT_VERSION;
  readonly by?: RecipeKind;
  /** What it was exposed with. */
  readonly settings: ExposureSettings;
}

export function recipeOf({ by = 'expose' }: Pick<Latent, 'by'>): RecipeKind {
  return by;
}

const POSITIVE = Type.Number({ exclusiveMinimum: 0, maximum: 1e9 });

/** What the schema of every recipe has, key by key. */
export const LATENT = {
  version: Type.Literal(LATENT_VERSION),
  by: Type.Optional(Type.Unsafe<RecipeKind>({ enum: RECIPES })),
  ...FACTS,
  settings: Type.Object({
    shutterS: POSITIVE,
    iso: POSITIVE,
    apertureN: POSITIVE,
    compensationEv: Type.Number({ minimum: -20, maximum: 20 }),
    filterStops: Type.Optional(Type.Number({ minimum: 0, maximum: 40 })),
  }),
};

/** A stored one of an earlier version brought forward, as far as its settings have other names by now; anything else as it is. */
export function latentForward(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  return { ...value, set: settingsForward((value as { set?: unknown }).set) };
}
