import MagicString from 'magic-string';

/** @typedef {import('./texts.mjs').Text} Text */
/** A text's words in another language, with its {0}, {1} …; undefined where there are none. @typedef {(message: string) => string | undefined} Dictionary */

/** All that is said by a text, whatever is put into it. @param {Text} text */
export const messagesOf = (text) => (text.kind === 'codes' ? text.codes : [text.message]);

const PLACE = /\{(\d+)\}/;

/** Which parts a message puts in, each as often as it does, in order. @param {string} message */
const placesOf = (message) =>
  message
    .split(PLACE)
    .filter((_, i) => i % 2 === 1)
    .sort()
    .join(' ');

/** Whether words in another language put in what the English does: no more, no less. @param {string} message @param {string} words */
export const fits = (message, words) => placesOf(message) === placesOf(words);

/** @param {string} words */
const inTemplate = (words) => words.replace(/[`\\]|\$\{/g, '\\$&');

/**
 * A source with its texts in another language; what is put into a text is translated itself.
 * @param {string} code @param {readonly Text[]} texts as `Texts.in` finds them @param {Dictionary} inOther
 * @returns {{ code: string, map: import('magic-string').SourceMap } | null} null when nothing is another
 */
export function translated(code, texts, inOther) {
  /** @param {number} start @param {number} end @returns {Text[]} the outermost within */
  const within = (start, end) => {
    /** @type {Text[]} */
    const outermost = [];
    for (const each of texts)
      if (each.start >= start && each.end <= end && (outermost.at(-1)?.end ?? 0) <= each.start) outermost.push(each);
    return outermost;
  };
  /** @param {number} start @param {number} end @param {readonly Text[]} [inside] @returns {string} */
  const written = (start, end, inside = within(start, end)) => {
    let all = '';
    let from = start;
    for (const text of inside) {
      all += code.slice(from, text.start) + rewritten(text);
      from = text.end;
    }
    return all + code.slice(from, end);
  };
  /** @param {Text} text @returns {string} */
  const rewritten = (text) => {
    if (text.kind === 'codes') {
      const known = Object.fromEntries(text.codes.map((each) => [each, inOther(each)]).filter(([, words]) => words !== undefined));
      const one = code.slice(text.start, text.end);
      return Object.keys(known).length > 0 ? `((code) => (${JSON.stringify(known)})[code] ?? code)(${one})` : one;
    }
    const words = inOther(text.message);
    // what is put into it may have words all the same
    if (words === undefined || !fits(text.message, words)) return written(text.start, text.end, inner(text));
    if (text.kind === 'string') return JSON.stringify(words);
    if (text.kind === 'attribute') return `{${JSON.stringify(words)}}`;
    const isTemplate = text.kind === 'template';
    const pieces = words.split(PLACE).map((piece, i) => {
      if (i % 2 === 0) return isTemplate ? inTemplate(piece) : piece && `{${JSON.stringify(piece)}}`;
      const part = text.parts[Number(piece)];
      const put = part ? written(part.start, part.end) : '';
      return isTemplate ? `\${${put}}` : put;
    });
    return isTemplate ? `\`${pieces.join('')}\`` : pieces.join('');
  };
  /** @param {import('./texts.mjs').Said} text @returns {Text[]} */
  const inner = (text) => text.parts.flatMap(({ start, end }) => within(start, end));

  const other = new MagicString(code);
  for (const text of within(0, code.length)) {
    const now = rewritten(text);
    if (now !== code.slice(text.start, text.end)) other.overwrite(text.start, text.end, now);
  }
  return other.hasChanged() ? { code: other.toString(), map: other.generateMap({ hires: 'boundary' }) } : null;
}
