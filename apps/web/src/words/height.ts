import type { BodyPart, ContactVerdict } from '@good-arc/core';

/** Where on the body: “at the knees”. */
export const atPart = (part: BodyPart): string => (part === 'above the head' ? part : `at the ${part}`);

/** A height in a few words: where on the body, and how kind that is for the level. */
export function sayHeight({ word, part, heightM, band }: ContactVerdict): string {
  if (word === 'good') return `${atPart(part)}: good for the level`;
  const side = heightM < band[0] ? 'low' : 'high';
  return `${atPart(part)}: ${word === 'off' ? `a little ${side} for the level` : `unkind, too ${side} for the level`}`;
}
