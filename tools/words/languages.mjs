import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { relative } from 'node:path';
import PO from 'pofile';
import { ROOT } from '../lib/paths.mjs';
import { Stop, say } from '../lib/say.mjs';
import { ENGLISH, fileOf, LANGUAGES, languages, PSEUDO, written } from './language-files.mjs';
import { fits, messagesOf } from './put.mjs';
import { textsOfSources } from './sources.mjs';

/** @typedef {ReturnType<typeof textsOfSources>} Sources */

/** The words of a language's file. @param {string} file its content @returns {import('./put.mjs').Dictionary} */
export function dictionaryOf(file) {
  const words = new Map(
    PO.parse(file).items.flatMap(({ msgid, msgstr, obsolete }) => (msgstr[0] && !obsolete ? [[msgid, msgstr[0]]] : [])),
  );
  return (message) => words.get(message);
}

/** @param {string} language @returns {import('./put.mjs').Dictionary} @throws Stop when there is no such file */
export function wordsOf(language) {
  if (language === PSEUDO) return (message) => `‹${message}›`;
  if (!existsSync(fileOf(language)))
    throw new Stop(`There is no language “${language}”; there are ${languages().join(', ')}. ./arc words ${language} begins one.`);
  return dictionaryOf(readFileSync(fileOf(language), 'utf8'));
}

/**
 * A language's file as the sources are now: new texts wait for their words, words that are no longer asked for go to its end.
 * @param {string} file its content; empty for a new one
 * @param {Sources} sources
 * @param {string} language
 * @returns {{ file: string, asked: number, said: number, wrong: readonly [string, string][] }} texts in all, those with words, and those whose words put in
 *   something else than the English does
 */
export function broughtUpToDate(file, sources, language) {
  const po = PO.parse(file);
  const before = new Map(po.items.map((item) => [item.msgid, item.msgstr]));
  /** @type {Map<string, InstanceType<typeof PO.Item>>} */
  const items = new Map();
  for (const [name, { texts }] of sources)
    for (const message of texts.flatMap(messagesOf)) {
      const item = items.get(message) ?? Object.assign(new PO.Item(), { msgid: message, msgstr: before.get(message) ?? [] });
      const where = relative(ROOT, name);
      if (!item.references.includes(where)) item.references.push(where);
      items.set(message, item);
    }
  const gone = po.items.filter(({ msgid, msgstr }) => !items.has(msgid) && msgstr[0]);
  for (const each of gone) each.obsolete = true;
  po.headers = { ...po.headers, 'Content-Type': 'text/plain; charset=UTF-8', 'Content-Transfer-Encoding': '8bit', Language: language };
  po.items = [...items.values(), ...gone];
  const said = [...items].flatMap(([message, { msgstr }]) => (msgstr[0] ? [/** @type {[string, string]} */ ([message, msgstr[0]])] : []));
  const wrong = said.filter(([message, words]) => !fits(message, words));
  return { file: `${po}`, asked: items.size, said: said.length - wrong.length, wrong };
}

/** `./arc words`: brings a language's file up to date, or begins it. @param {string[]} args the language; none says how far each is */
export function words([language]) {
  if (language === ENGLISH) throw new Stop('English stands in the sources; ./arc words takes another language, such as de or pt-BR.');
  if (language !== undefined && !/^[a-z]{2,3}(-[A-Z]{2})?$/.test(language))
    throw new Stop(`“${language}” is no language: give its code, such as de or pt-BR.`);
  const sources = textsOfSources();
  for (const each of language === undefined ? written() : [language]) {
    const { file, asked, said, wrong } = broughtUpToDate(existsSync(fileOf(each)) ? readFileSync(fileOf(each), 'utf8') : '', sources, each);
    say(`  ${each}: ${said} of ${asked} texts`);
    for (const [message, own] of wrong) say(`    does not put in what the English does, and is left out: “${message}” “${own}”`);
    if (language === undefined) continue;
    mkdirSync(LANGUAGES, { recursive: true });
    writeFileSync(fileOf(each), file);
  }
  if (language === undefined)
    say(
      `  The sources say ${broughtUpToDate('', sources, '').asked} texts; ./arc words de begins apps/web/languages/de.po, or brings it up to date.`,
    );
}
