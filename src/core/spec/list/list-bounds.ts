/** Most rows of one list: what one job or one import can hold. */
export const LIST_MAX_ROWS = 2_000;
