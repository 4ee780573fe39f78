/** The address under which people reach this server, when a proxy stands before it: `https://arc.example.org`. */
export const publicOrigin = (): string => (process.env.GOODARC_ORIGIN ?? '').replace(/\/$/, '');

/** Whether a page of this site asks, by its `Origin`. @param own the origin that was asked */
export const isOurs = (origin: string, own: string): boolean => origin === own || origin === publicOrigin();

/** Whether a page of another site asks: browsers say so of what they fetch, event streams included. */
export const isFromElsewhere = (origin: string | null, fetchSite: string | null, own: string): boolean =>
  (origin !== null && !isOurs(origin, own)) || (fetchSite !== null && fetchSite !== 'same-origin' && fetchSite !== 'none');
