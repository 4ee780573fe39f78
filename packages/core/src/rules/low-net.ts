import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'low-net'>;

/** Lower over the net than a feed for this level should be. */
export const rule: Rule<Hazard> = ({ place }) => (place?.lowOverNet ? { code: 'low-net', weight: 'note', figures: {} } : null);
