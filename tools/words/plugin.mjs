import { readFileSync } from 'node:fs';
import { wordsOf } from './languages.mjs';
import { translated } from './put.mjs';
import { textsOfSources } from './sources.mjs';

/**
 * Builds the app in another language: its texts are put into the sources as they are bundled, so that a page carries no words but its own.
 * @param {string} language a file of `apps/web/languages`, or `pseudo`
 * @returns {import('vite').Plugin}
 */
export function inLanguage(language) {
  const inOther = wordsOf(language);
  return {
    name: 'in-language',
    enforce: 'pre',
    load(id) {
      const source = sourceOf(id);
      return source ? translated(source.code, source.texts, inOther) : null;
    },
  };
}

/** Looked through once for all builds of a run. @type {ReturnType<typeof textsOfSources> | undefined} */
let sources;

/** A source with its texts, looked through anew when it was changed meanwhile (live reload). @param {string} id */
function sourceOf(id) {
  sources ??= textsOfSources();
  if (sources.has(id) && sources.get(id)?.code !== readFileSync(id, 'utf8')) sources = textsOfSources();
  return sources.get(id);
}
