import { type Card, cardSchema } from '../card-schema.ts';
import type { Format } from '../format.ts';
import { type ReadResult, readJson } from '../read.ts';

/** A card as JSON, indented, with a line end. */
export const writeCardJson = (card: Card): string => `${JSON.stringify(card, null, 2)}\n`;

/** Reads a card from JSON; what does not fit is named by its field. */
export const readCardJson = (text: string): ReadResult<Card> => readJson(text, cardSchema, 'setup card');

export const format: Format<'card'> = {
  what: 'card',
  name: 'setup card',
  suffix: '.json',
  mediaType: 'application/json',
  isIt: (text) => /^\s*[{[]/.test(text),
  read: readCardJson,
};
