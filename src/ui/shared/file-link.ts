/** The address of a small file that is made in the page, for a link that saves it. */
export const fileLink = (json: string): string =>
  `data:application/json;charset=utf-8,${encodeURIComponent(json)}`;
