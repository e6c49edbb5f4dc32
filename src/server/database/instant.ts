/** A DATETIME(6) of the database, in UTC, as an ISO 8601 instant in milliseconds. */
export const instantFromSql = (text: string): string =>
  `${text.replace(' ', 'T').slice(0, 23).padEnd(23, '0')}Z`;

/** An ISO 8601 instant in UTC as the database takes it. */
export const instantToSql = (instant: string): string => instant.replace('T', ' ').replace('Z', '');
