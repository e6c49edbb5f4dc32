/** A UUID as the sixteen bytes a projection keeps it in. */
export const idToBytes = (id: string): Buffer => Buffer.from(id.replaceAll('-', ''), 'hex');

/** The UUID of sixteen bytes. */
export const idFromBytes = (bytes: Buffer): string =>
  bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
