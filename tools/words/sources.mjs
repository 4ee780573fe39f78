import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { WEB } from '../lib/paths.mjs';
import { codesIn, Texts } from './texts.mjs';

const SRC = join(WEB, 'src');
/** Where what people read comes from: the web app without its database, and what the core and the line say. */
const READ_FROM = /\/(apps\/web\/src\/(?!db\/|tasks\.ts)|packages\/(core|line)\/src\/)/;

/**
 * A page of Astro's as TypeScript sees it, each character in its place: a module, then what it draws.
 * @param {string} code
 */
const asModule = (code) => {
  const blank = (/** @type {string} */ part) => part.replace(/[^\n]/g, ' ');
  const [, front = '', drawn = ''] = /^---\n([\s\S]*?)\n---\n([\s\S]*)$/.exec(code) ?? [];
  return `   \n${front}\n;<>\n${drawn.replace(/<script[\s\S]*?<\/script>|<(!doctype|meta|link)\b[^>]*>/g, blank)}</>`;
};

/** @returns {Map<string, { code: string, texts: import('./texts.mjs').Text[] }>} by file, of all sources that have any */
export function textsOfSources() {
  const config = ts.getParsedCommandLineOfConfigFile(
    join(WEB, 'tsconfig.json'),
    {},
    {
      ...ts.sys,
      onUnRecoverableConfigFileDiagnostic: ({ messageText }) => {
        throw new Error(ts.flattenDiagnosticMessageText(messageText, '\n'));
      },
    },
  );
  if (!config) throw new Error('The web app’s tsconfig.json could not be read.');
  const roots = config.fileNames.filter((name) => !name.includes('/test/'));
  const program = ts.createProgram(roots, config.options);
  const files = program.getSourceFiles().filter(({ fileName, isDeclarationFile }) => !isDeclarationFile && READ_FROM.test(fileName));
  // it also tells nodes of their parents
  const checker = program.getTypeChecker();
  const codes = codesIn(files);
  const texts = new Texts(checker, codes);
  const pages = new Texts(null, codes);
  /** @type {[string, { code: string, texts: import('./texts.mjs').Text[] }][]} */
  const found = files.map((file) => [file.fileName, { code: file.text, texts: texts.in(file) }]);
  for (const name of readdirSync(SRC, { recursive: true, encoding: 'utf8' })) {
    if (!name.endsWith('.astro')) continue;
    const file = join(SRC, name);
    const code = readFileSync(file, 'utf8');
    found.push([
      file,
      { code, texts: pages.in(ts.createSourceFile(file, asModule(code), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX)) },
    ]);
  }
  return new Map(found.filter(([, { texts: own }]) => own.length > 0));
}
