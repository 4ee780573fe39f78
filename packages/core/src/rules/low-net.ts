import type { Found, Rule } from './subject.ts';

export type LowNet = Found<'low-net'>;

/** Lower over the net than a feed for this level should be. */
export const lowNet: Rule<LowNet> = ({ place }) => (place?.lowOverNet ? { code: 'low-net', weight: 'note', figures: {} } : null);
