// What became of a frame that was to be saved.

/** The reason that a frame was not saved, where it is this. */
export const STORE_IS_FULL = 'the store is full';

/** Why an archive was not taken in to its end, where the person wanted that. */
export const CANCELLED = 'it was cancelled';

export type SaveOutcome =
  | { readonly kind: 'saved' }
  /** Its exposure was deleted while it was read out. */
  | { readonly kind: 'unwanted' }
  | { readonly kind: 'unsaved'; readonly reason: string };
