import { existsSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT, WEB } from '../lib/paths.mjs';

/** One file a language, in gettext's format, which translators have editors for. */
export const LANGUAGES = join(WEB, 'languages');
/** What the sources say. */
export const ENGLISH = 'en';
/** Every text in marks: what is read without them has no words in any other language. */
export const PSEUDO = 'pseudo';

/** @param {string} language */
export const fileOf = (language) => join(LANGUAGES, `${language}.po`);

/** @returns {string[]} those that have a file */
export const written = () =>
  existsSync(LANGUAGES) ? readdirSync(LANGUAGES).flatMap((name) => (name.endsWith('.po') ? [name.slice(0, -'.po'.length)] : [])) : [];

/** @returns {string[]} those the app can be built in */
export const languages = () => [ENGLISH, ...written(), PSEUDO];

/** What a build in it is made of, beside the app. @param {string} language @returns {string[]} paths below the root */
export const sourcesOf = (language) =>
  language === ENGLISH ? [] : ['tools/words', ...(existsSync(fileOf(language)) ? [relative(ROOT, fileOf(language))] : [])];

/** As pages say it. @param {string} language */
export const langOf = (language) => (language === PSEUDO ? 'en-x-pseudo' : language);
