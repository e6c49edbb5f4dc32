/** A DATETIME(6) of the database, in UTC, as an ISO 8601 instant in milliseconds. The driver leaves out a fraction that is zero. */
export const instantFromSql = (text: string): string => {
  const [second = '', fraction = ''] = text.split('.');
  return `${second.replace(' ', 'T')}.${fraction.padEnd(3, '0').slice(0, 3)}Z`;
};

/** An ISO 8601 instant in UTC as the database takes it. */
export const instantToSql = (instant: string): string => instant.replace('T', ' ').replace('Z', '');
