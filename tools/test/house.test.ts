import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { SPORTS } from '@good-arc/core';
import ts from 'typescript';
import { describe, expect, test } from 'vitest';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));
const SOURCES = ['packages/core/src', 'packages/line/src', 'packages/simulator/src', 'apps/web/src', 'tools'];

/** Every file of the code, with its text; tests, and what is built or generated, are left out. */
function sources(): { file: string; text: string }[] {
  const within = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return ['node_modules', 'dist', 'test', 'migrations'].includes(entry.name) ? [] : within(path);
      return /\.(ts|tsx|astro|mjs)$/.test(entry.name) ? [path] : [];
    });
  return SOURCES.flatMap((folder) => within(join(ROOT, folder))).map((path) => ({
    file: relative(ROOT, path),
    text: readFileSync(path, 'utf8'),
  }));
}

const name = `['"\`](?:${SPORTS.join('|')})['"\`]`;
const COMPARED = new RegExp(
  `(?:[!=]==?\\s*${name}|${name}\\s*[!=]==?|case\\s+${name}|(?:includes|startsWith|endsWith|indexOf)\\(\\s*${name})`,
);
const MATCHED = new RegExp(
  `(?:/[^/\\n]*\\b(?:${SPORTS.join('|')})[^/\\n]*/[a-z]*\\.(?:test|exec)\\(|startsWith\\(['"\`](?:${SPORTS.join('|')}))`,
);
/** Lines of a file that decide something by a sport's name. */
const decides = (text: string): string[] => text.split('\n').filter((line) => COMPARED.test(line) || MATCHED.test(line));

describe('a sport is one folder', () => {
  test.each([
    "if (sport === 'tennis') serve();",
    "return 'baseball' !== plan.sport;",
    "case 'softball':",
    "sports.includes('pickleball')",
    'const soft = /^pickleball-(dink|drop)-/.test(id);',
    "id.startsWith('tennis-')",
  ])('%s would be found', (line) => expect(decides(line)).toEqual([line]));
  test.each(["sport: 'tennis',", "import { tennis } from './tennis/index.ts';", 'diamondOf(sport) !== null'])('%s is no decision', (line) =>
    expect(decides(line)).toEqual([]),
  );
  test('nothing is decided by a sport’s name outside its folder', () => {
    const files = sources();
    expect(files.length).toBeGreaterThan(200);
    const found = files
      .filter(({ file }) => !file.startsWith('packages/core/src/catalog/sports/'))
      .flatMap(({ file, text }) => decides(text).map((line) => `${file}: ${line.trim()}`));
    expect(found).toEqual([]);
  });
});

describe('what others build on', () => {
  test('every export of the core says what it is', () => {
    const core = join(ROOT, 'packages/core');
    const index = join(core, 'src/index.ts');
    const options = { target: ts.ScriptTarget.ES2022, noLib: true, noEmit: true, types: [], allowImportingTsExtensions: true };
    // what its words say stands in its own files: those of libraries are not read
    const host: ts.CompilerHost = {
      ...ts.createCompilerHost(options),
      resolveModuleNameLiterals: (names, from) =>
        names.map(({ text }) => ({
          resolvedModule: text.startsWith('.')
            ? { resolvedFileName: resolve(dirname(from), text), extension: ts.Extension.Ts, isExternalLibraryImport: false }
            : undefined,
        })),
    };
    const program = ts.createProgram([index], options, host);
    const checker = program.getTypeChecker();
    const exported = checker.getExportsOfModule(checker.getSymbolAtLocation(program.getSourceFile(index)!)!);
    expect(exported.length).toBeGreaterThan(400);
    const silent = exported.filter((each) => {
      const meant = each.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(each) : each;
      return meant.getDocumentationComment(checker).length === 0 && meant.getJsDocTags().length === 0;
    });
    expect(silent.map(({ name: each }) => each)).toEqual([]);
  });
  test('a button and a notice are drawn in one place', () => {
    const own = ['apps/web/src/ui/Button.tsx', 'apps/web/src/ui/Notice.tsx'];
    const drawn = sources().filter(
      ({ file, text }) => /\.tsx$/.test(file) && !own.includes(file) && /["'` ]btn[ "'`]|border-l-4[^"'`]*bg-base-200 p-/.test(text),
    );
    expect(drawn.map(({ file }) => file)).toEqual([]);
  });
});

test('no file of the interface is longer than 250 lines: what grows is split by what it does', () => {
  const long = sources().filter(
    ({ file, text }) => file.startsWith('apps/web/src/') && /\.tsx$/.test(file) && text.split('\n').length > 251,
  );
  expect(long.map(({ file }) => file)).toEqual([]);
});

test('what is loaded later cannot take its page with it: by `later`, not by React’s own', () => {
  const found = sources().filter(({ text }) => /import \{[^}]*\b(lazy|Suspense)\b[^}]*\} from 'react'/.test(text));
  expect(found.map(({ file }) => file)).toEqual([]);
});

test('no page asks the browser to form numbers or dates by its language: the first takes a cheap phone 0.15 s', () => {
  const SLOW = /\bIntl\.|\.toLocale(?:Date|Time)?String\(/;
  const found = sources().filter(({ file, text }) => /^(apps\/web|packages\/\w+)\/src\//.test(file) && SLOW.test(text));
  expect(found.map(({ file }) => file)).toEqual([]);
});

test('a page hands its islands what they show as one text', () => {
  const ISLAND = /client:(load|only)(?:="\w+")?\s+(\S+?)[(/>\s]/g;
  const islands = sources()
    .filter(({ file }) => file.endsWith('.astro'))
    .flatMap(({ file, text }) => [...text.matchAll(ISLAND)].map(([, how, handed]) => ({ file, how, handed })));
  expect(islands.length).toBeGreaterThan(15);
  const wanted = { load: '{...sent', only: '{...sentToScripts' };
  expect(islands.filter(({ how, handed }) => handed !== wanted[how as keyof typeof wanted])).toEqual([]);
});

test('a page that its scripts draw says so, and no other does', () => {
  const pages = sources().filter(({ file }) => file.startsWith('apps/web/src/pages/') && file.endsWith('.astro'));
  const byScripts = pages.filter(({ text }) => text.includes(' client:only='));
  expect(byScripts.length).toBeGreaterThan(5);
  expect(pages.filter(({ text }) => /<Layout[^>]* byScripts/.test(text))).toEqual(byScripts);
});

describe('a quantity says its unit', () => {
  const QUANTITY =
    '[sS]peed|[hH]eight|[dD]istance|[wW]idth|[dD]epth|[lL]ength|[eE]levation|[bB]earing|[tT]ime|[iI]nterval|[mM]ass|[rR]adius|[dD]ensity|[tT]emperature|[aA]ltitude|[aA]ngle|[aA]pex|[wW]eight';
  const UNNAMED = new RegExp(`^\\s+(?:readonly )?\\w*(?:${QUANTITY})\\??: (?:z\\.number|z\\.int|number\\b|(?:readonly )?\\[number)`);
  /** Properties that are a quantity by their name, are a number, and do not say of what unit. */
  const unnamed = (text: string): string[] => text.split('\n').filter((line) => UNNAMED.test(line));
  test.each(['  speed: number;', '  releaseHeight?: number;', '  width: z.number().min(0),', '  elevation: [number, number];'])(
    '%s would be found',
    (line) => expect(unnamed(line)).toEqual([line]),
  );
  test.each(['  speedMps: number;', '  heightM: z.number(),', '  height: ContactVerdict | null;', '  targetTimes?: number;'])(
    '%s is well named',
    (line) => expect(unnamed(line)).toEqual([]),
  );
  test('every quantity of the core, the line and the simulator ends with its unit', () => {
    const found = sources()
      .filter(({ file }) => file.startsWith('packages/'))
      .flatMap(({ file, text }) => unnamed(text).map((line) => `${file}: ${line.trim()}`));
    expect(found).toEqual([]);
  });
});
