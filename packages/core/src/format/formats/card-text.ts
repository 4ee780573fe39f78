import { type Card, cardSchema } from '../card-schema.ts';
import type { Format } from '../format.ts';
import { fromLines, toLines } from '../lines.ts';
import { type ReadResult, readValue, refused } from '../read.ts';

/** A card as text for a message. @param summary lines for people, in their units; they are not read back */
export function writeCardText(card: Card, summary: readonly string[] = []): string {
  const lines = toLines(card);
  // the count shows when a message lost its end, even between two rungs
  return [...summary.map((line) => `# ${line}`), `lines = ${lines.length}`, ...lines].join('\n').concat('\n');
}

/** Reads a card from a message, quoted or re-indented; a line that was lost or changed is named. */
export function readCardText(text: string): ReadResult<Card> {
  const read = fromLines(text);
  if (!read.ok) return read;
  const { lines, ...value } = read.value as { lines?: unknown };
  const came = toLines(value).length;
  if (lines !== came)
    return refused(
      typeof lines === 'number'
        ? `${came} of ${lines} lines came. Copy the whole card.`
        : 'The line that counts the lines is missing. Copy the whole card.',
    );
  return readValue(value, cardSchema);
}

export const format: Format<'card'> = {
  what: 'card',
  name: 'setup card as text',
  suffix: '.txt',
  mediaType: 'text/plain',
  isIt: (text) => !/^\s*[{[]/.test(text),
  read: readCardText,
};
