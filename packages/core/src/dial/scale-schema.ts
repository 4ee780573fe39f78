import { z } from 'zod';

/** How a dial is marked. A screw too fine to read is counted in turns from a noted zero. */
export const SCALE_KINDS = ['numbers', 'fractions', 'pins', 'notches', 'colours', 'turns'] as const;
/** How a dial is marked. */
export type ScaleKind = (typeof SCALE_KINDS)[number];

/**
 * A dial's own scale. Every kind is an axis of numbers: pins, notches and colours count from 1, turns count from the noted zero
 * (positive: outward). `click` is the smallest step a person can set.
 */
export const scaleSchema = z
  .strictObject({
    kind: z.enum(SCALE_KINDS),
    lo: z.number().min(-1000).max(1000),
    hi: z.number().min(-1000).max(1000),
    click: z.number().positive('The smallest step is more than nothing').max(100),
    /** Names of the places of a scale of colours, from the lowest. */
    names: z.array(z.string().trim().min(1, 'Name every place').max(24)).max(40).default([]),
    /** Where turns are counted from, in words: “arm level with the frame”. */
    zero: z.string().max(120).default(''),
  })
  .refine(({ lo, hi }) => lo < hi, { path: ['hi'], message: 'The highest reading comes after the lowest' })
  .refine(({ lo, hi, click }) => click <= hi - lo, { path: ['click'], message: 'The smallest step is less than the whole scale' })
  .refine(({ kind, names, lo, hi }) => kind !== 'colours' || names.length === hi - lo + 1, {
    path: ['names'],
    message: 'A name for every place of the scale',
  });
/** A dial’s scale; see `scaleSchema`. */
export type Scale = z.infer<typeof scaleSchema>;
