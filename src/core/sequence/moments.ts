// When the frames of a sequence are exposed.

/** From the end of one exposure to the beginning of the next, s: the read-out, and a little. */
export const SEQUENCE_GAP_S = 1 / 15;
