/** How the fasteners of a group follow each other. Alternating is turn about in the order they are listed, pass by pass; own is an order that a
 *  person gave. */
export const ORDERS = [
  'reading',
  'crosswise',
  'alternating',
  'as-listed',
  'centre-out',
  'opposed-pairs',
  'least-eccentricity',
  'own',
] as const;
export type Order = (typeof ORDERS)[number];
