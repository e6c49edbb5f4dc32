/** The id of the one group of a list or plan that names none. */
export const ONLY_GROUP = 'A';
