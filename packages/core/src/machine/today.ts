import { z } from 'zod';

/** What was seen of a machine on one day, beside its curves: a tired battery, other balls, the cold. It counts on that day only. */
export const machineTodaySchema = z.strictObject({
  day: z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'A day such as 2026-03-14'),
  /** Speed over what the curves say. */
  speedShare: z.number().min(0.7, 'At least 70 %').max(1.3, 'At most 130 %'),
});
/** What was seen of a machine on one day; see `machineTodaySchema`. */
export type MachineToday = z.infer<typeof machineTodaySchema>;
