// Bounds of the whites that a person keeps under names.
export const MOST_WHITES = 12;
export const MOST_NAME = 40;
