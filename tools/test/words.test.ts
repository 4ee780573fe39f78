// biome-ignore-all lint/suspicious/noTemplateCurlyInString: sources of views

import { join } from 'node:path';
import { transform } from 'esbuild';
import ts from 'typescript';
import { describe, expect, test } from 'vitest';
import { ROOT } from '../lib/paths.mjs';
import { broughtUpToDate, dictionaryOf } from '../words/languages.mjs';
import { type Dictionary, translated } from '../words/put.mjs';
import { codesIn, type Text, Texts } from '../words/texts.mjs';

/** Enough of the language and of React for sources of a few lines. */
const LIB = `
  interface Array<T> { length: number; map<U>(say: (each: T) => U): U[]; join(by: string): string; [n: number]: T }
  interface ReadonlyArray<T> { readonly length: number; map<U>(say: (each: T) => U): U[]; readonly [n: number]: T }
  interface String {} interface Number {} interface Boolean {} interface Function {} interface CallableFunction {} interface NewableFunction {}
  interface Object {} interface RegExp {} interface IArguments {}
  type Record<K extends string, V> = { [name in K]: V };
  declare namespace JSX { interface Element {} interface IntrinsicElements { [name: string]: { [attribute: string]: unknown } } }
  declare const log: { warn(text: string): void };
`;

/** The texts of a source, as they are found in the app's. */
function textsOf(code: string): Text[] {
  const files = new Map(Object.entries({ 'lib.d.ts': LIB, 'view.tsx': code }));
  const program = ts.createProgram(
    [...files.keys()],
    { noLib: true, jsx: ts.JsxEmit.Preserve, strict: true, target: ts.ScriptTarget.ES2022 },
    {
      ...ts.createCompilerHost({}),
      fileExists: (name) => files.has(name),
      readFile: (name) => files.get(name),
      getSourceFile: (name, how) => (files.has(name) ? ts.createSourceFile(name, files.get(name)!, how, true) : undefined),
      writeFile: () => {},
    },
  );
  const checker = program.getTypeChecker();
  const file = program.getSourceFile('view.tsx')!;
  return new Texts(checker, codesIn([file])).in(file);
}
const messagesOf = (code: string): string[] => textsOf(code).flatMap((each) => (each.kind === 'codes' ? each.codes : [each.message]));

/** What a module exports when its texts are in another language. */
async function spoken(code: string, words: Record<string, string>): Promise<Record<string, (...args: unknown[]) => string>> {
  const inOther: Dictionary = (message) => words[message];
  const own = translated(code, textsOf(code), inOther)?.code ?? code;
  const drawn =
    'const h = (tag, props, ...inside) => `<${tag}${props ? " " + Object.keys(props).map((name) => `${name}="${props[name]}"`).join(" ") : ""}>${inside.flat().filter((each) => each !== false && each != null).join("")}</${tag}>`;';
  const { code: js } = await transform(own, { loader: 'tsx', jsxFactory: 'h' });
  return import(/* @vite-ignore */ `data:text/javascript,${encodeURIComponent(drawn + js)}`);
}

describe('a text is found where people read it', () => {
  test('a sentence between tags is one, with what is put into it', () => {
    expect(messagesOf('export const at = (n: number, of: string) => <p className="mt-2 text-sm">rung {n} of <b>{of}</b></p>;')).toEqual([
      'rung {0} of {1}',
    ]);
    expect(messagesOf('export const a = () => (\n  <p>\n    Nothing of it is lost;{" "}\n    the rest is complete.\n  </p>\n);')).toEqual([
      'Nothing of it is lost; the rest is complete.',
    ]);
  });
  test('what stands at the end of a sentence without belonging to it stays out', () => {
    expect(
      messagesOf('export const a = (open: boolean) => <div>Say when{open && <ul><li>Now</li></ul>}<button>Go on</button></div>;'),
    ).toEqual(['Say when', 'Now', 'Go on']);
  });
  test('words chosen between, and codes that are put in as they are', () => {
    const code = 'export const a = (n: number, sport: "tennis" | "softball") => `${n} ${n === 1 ? "round" : "rounds"} of ${sport} so far`;';
    expect(messagesOf(code)).toEqual(['{0} {1} of {2} so far', 'round', 'rounds', 'tennis', 'softball']);
  });
  test('names in lists of choices, labels, and records of words', () => {
    expect(messagesOf('export const a = [["", "any"] as const, ["own", "its own, not chosen"] as const];')).toEqual([
      'any',
      'its own, not chosen',
    ]);
    expect(messagesOf('export const a = <input aria-label="left" title="Speed" className="left" />;')).toEqual(['left', 'Speed']);
    expect(messagesOf('type Code = "in" | "let-go"; export const WORDS: Record<Code, string> = { in: "In", "let-go": "Let go" };')).toEqual(
      ['In', 'Let go'],
    );
  });
});

describe('what is no text is left alone', () => {
  test.each([
    ['a code the types know', 'type Place = "net play" | "above the head"; export const a: Place = "net play";'],
    ['what is compared', 'export const a = (s: string) => s === "On deck";'],
    [
      'a code known elsewhere in the source',
      'export const CODES = ["On deck", "At bat"] as const; const list: string[] = ["On deck"]; export { list };',
    ],
    [
      'classes',
      'const look = "border-b px-4 py-2 font-bold"; export const a = (on: boolean) => <p className={`mt-2 ${on ? "Bold one" : look}`} />;',
    ],
    ['addresses', 'export const a = (id: string) => <a href={`/plan?id=${id}`} />; export const b = (id: string) => `rounds/${id}`;'],
    [
      'drawings and styles',
      'export const a = (x: number) => <path d={`M0 0 L${x} 4`} transform={`translate(${x} 0)`} />; export const b = "@media (width: 4px)";',
    ],
    ['keys', 'export const a = ["Enter", "ArrowUp"];'],
    ['a log', 'log.warn("a row that cannot be read was set aside");'],
    ['a statement', 'export const a = "SELECT name FROM player WHERE id = 1";'],
  ])('%s', (_, code) => {
    expect(messagesOf(code)).toEqual([]);
  });
});

describe('in another language', () => {
  const say = 'export const say = (n: number, side: "left" | "right") => `${n} ${n === 1 ? "ball" : "balls"} to the ${side}`;';
  const DE = { '{0} {1} to the {2}': 'nach {2}: {0} {1}', ball: 'Ball', balls: 'Bälle', left: 'links' };
  test('what is put in stands where the language wants it, and is translated itself; a code without words stays', async () => {
    const { say: sage } = await spoken(say, DE);
    expect(sage!(2, 'left')).toBe('nach links: 2 Bälle');
    expect(sage!(1, 'right')).toBe('nach right: 1 Ball');
  });
  test('between tags, with what is drawn within a sentence', async () => {
    const code = 'export const draw = (n: number, name: string) => <p title="Rung">rung {n} of <b>the {name}</b></p>;';
    const { draw } = await spoken(code, { 'rung {0} of {1}': '{1}, Sprosse {0}', 'the {0}': 'die {0}', Rung: 'Die „Sprosse“' });
    expect(draw!(3, 'Leiter')).toBe('<p title="Die „Sprosse“"><b>die Leiter</b>, Sprosse 3</p>');
  });
  test('quotes, braces and backslashes of a language do no harm', async () => {
    const { say: sage } = await spoken('export const say = (n: number) => `${n} things to do`; export const of = () => "Nothing to do";', {
      '{0} things to do': '`{0}` \\ ${x} "',
      'Nothing to do': '"\\`${x}',
    });
    expect(sage!(2)).toBe('`2` \\ ${x} "');
  });
  test('words that leave out what is put in, or put in more, are not taken; what they hold is', async () => {
    for (const wrong of ['nach {2}: {1}', 'nach {2}: {0} {1} {3}', 'nach {2}: {0} {0}']) {
      const { say: sage } = await spoken(say, { ...DE, '{0} {1} to the {2}': wrong });
      expect(sage!(2, 'left')).toBe('2 Bälle to the links');
    }
  });
  test('without words nothing is touched', () => {
    expect(translated(say, textsOf(say), () => undefined)).toBeNull();
  });
});

describe('the file of a language', () => {
  const sourcesOf = (code: string) => new Map([[join(ROOT, 'apps/web/src/view.tsx'), { code, texts: textsOf(code) }]]);
  const first = sourcesOf('export const a = <p>Take it on court</p>; export const b = <p>rung {1} of {2}</p>;');
  const words = (file: string) => file.replace('msgid "Take it on court"\nmsgstr ""', 'msgid "Take it on court"\nmsgstr "Auf den Platz"');
  test('begins with every text and where it stands', () => {
    const begun = broughtUpToDate('', first, 'de');
    expect(begun).toMatchObject({ asked: 2, said: 0, wrong: [] });
    expect(begun.file).toContain('#: apps/web/src/view.tsx\nmsgid "rung {0} of {1}"\nmsgstr ""');
    expect(dictionaryOf(begun.file)('Take it on court')).toBeUndefined();
  });
  test('keeps what was written; what the sources no longer say is kept apart and used no more, until they say it again', () => {
    const written = words(broughtUpToDate('', first, 'de').file);
    expect(dictionaryOf(written)('Take it on court')).toBe('Auf den Platz');
    const later = broughtUpToDate(written, sourcesOf('export const a = <p>Take it off court</p>;'), 'de');
    expect(later).toMatchObject({ asked: 1, said: 0 });
    expect(later.file).toContain('#~ msgid "Take it on court"');
    expect(dictionaryOf(later.file)('Take it on court')).toBeUndefined();
    expect(dictionaryOf(broughtUpToDate(later.file, first, 'de').file)('Take it on court')).toBe('Auf den Platz');
  });
  test('names the words that do not put in what the English does', () => {
    const file = broughtUpToDate('', first, 'de').file.replace(
      'msgid "rung {0} of {1}"\nmsgstr ""',
      'msgid "rung {0} of {1}"\nmsgstr "Sprosse {0}"',
    );
    expect(broughtUpToDate(file, first, 'de')).toMatchObject({ said: 0, wrong: [['rung {0} of {1}', 'Sprosse {0}']] });
  });
});
