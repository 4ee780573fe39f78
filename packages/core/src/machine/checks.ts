import { z } from 'zod';
import { SPORT_RECORDS } from '../catalog/index.ts';
import type { MachineProfile } from './profile.ts';

const item = z.string().trim().min(1, 'Leave no line empty').max(120, 'At most 120 characters a line');

/** What is looked at before the first ball and after the last. */
export const checklistSchema = z.strictObject({
  before: z.array(item).max(20, 'At most 20 lines'),
  after: z.array(item).max(20, 'At most 20 lines'),
});
/** What is ticked before and after. */
export type Checklist = z.infer<typeof checklistSchema>;

const POWER = {
  battery: { before: 'battery above half', after: 'on charge' },
  mains: { before: 'lead laid where nobody trips, residual-current protected, dry', after: 'power off, lead in' },
  hand: { before: 'arm and springs sound', after: 'arm released' },
} as const;

/** A checklist to start from; common practice, no source. A club may write its own. */
export const firstChecklist = ({ power, sports }: Pick<MachineProfile, 'power' | 'sports'>): Checklist => ({
  before: [
    POWER[power].before,
    'wheels locked or spikes in',
    'balls of one kind and age',
    ...new Set(sports.flatMap((sport) => SPORT_RECORDS[sport].checks)),
    'nobody forward of the machine',
    'first ball goes by',
    'two in a row in the box',
  ],
  after: ['wheels stopped, aimed away', 'balls cleared', POWER[power].after, 'put away'],
});
