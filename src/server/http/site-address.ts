/** The address under which this site is reached ("http://bench:4321"), for labels and calendars: JENTIK_ADDRESS where a proxy stands
 *  before it, otherwise the host that the asker named. */
export const siteAddress = (request: Request): string => {
  const given = process.env['JENTIK_ADDRESS'];
  if (given && URL.canParse(given)) return new URL(given).origin;
  const named = `http://${request.headers.get('host') ?? ''}`;
  return URL.canParse(named) ? new URL(named).origin : new URL(request.url).origin;
};
