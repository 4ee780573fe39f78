import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

const CORE = join(ROOT, 'packages/core/src');
const HEAD = '// Written by ./arc from the files beside it: add a file, and it is listed.\n';

/** @param {string} name `two-wheel-portable` @returns {string} `twoWheelPortable` */
const camel = (name) => name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase());
/** @param {string} name @returns {string} `TwoWheelPortable` */
const pascal = (name) => camel(`-${name}`);

/** Names of the records in a folder: its files without the index and the registry. @param {string} folder */
const files = (folder) =>
  readdirSync(join(CORE, folder))
    .filter((file) => file.endsWith('.ts') && file !== 'index.ts' && file !== 'registry.ts')
    .map((file) => file.slice(0, -3))
    .sort();

/** Folders of a folder that hold this file. @param {string} folder @param {string} file */
const foldersWith = (folder, file) =>
  readdirSync(join(CORE, folder), { withFileTypes: true })
    .filter(
      (entry) =>
        entry.isDirectory() && readdirSync(join(CORE, folder, entry.name)).some((each) => each === file || each === file.slice(0, -3)),
    )
    .map(({ name }) => name)
    .sort();

/** What each registry should say, by its path. @returns {Record<string, string>} */
export function registries() {
  const kinds = files('catalog/machines');
  const rules = files('rules');
  const formats = files('format/formats');
  const sports = foldersWith('catalog/sports', 'record.ts');
  const drills = foldersWith('catalog/sports', 'drills.ts').filter((sport) => sports.includes(sport));
  /** @param {string} sport */
  const drillsOf = (sport) => (readdirSync(join(CORE, 'catalog/sports', sport)).includes('drills.ts') ? 'drills.ts' : 'drills/index.ts');
  return {
    'catalog/machines/registry.ts': [
      ...kinds.map((kind) => `import { kind as ${camel(kind)} } from './${kind}.ts';`),
      '',
      `export const KINDS = [${kinds.map(camel).join(', ')}];`,
    ].join('\n'),
    'rules/registry.ts': [
      ...rules.map((rule) => `import { type Hazard as ${pascal(rule)}, rule as ${camel(rule)} } from './${rule}.ts';`),
      '',
      '/** What a rule has to say: its code, its weight, and the figures it rests on. */',
      `export type Hazard = ${rules.map(pascal).join(' | ')};`,
      '',
      `export const RULES = [${rules.map(camel).join(', ')}];`,
    ].join('\n'),
    'format/formats/registry.ts': [
      ...formats.map((format) => `import { format as ${camel(format)} } from './${format}.ts';`),
      '',
      `export const FORMATS = [${formats.map(camel).join(', ')}];`,
    ].join('\n'),
    'catalog/sports/registry.ts': [
      ...sports.map((sport) => `import { record as ${camel(sport)} } from './${sport}/record.ts';`),
      '',
      `export const RECORDS = { ${sports.map(camel).join(', ')} };`,
    ].join('\n'),
    // apart, so that a record may say whose it is
    'catalog/sports/names.ts': `/** Id of a sport: the name of its folder. */\nexport type Sport = ${sports.map((sport) => `'${sport}'`).join(' | ')};`,
    'catalog/drills-registry.ts': [
      ...drills.map((sport) => `import { drills as ${camel(sport)} } from './sports/${sport}/${drillsOf(sport)}';`),
      '',
      `export const DRILLS = { ${drills.map(camel).join(', ')} };`,
    ].join('\n'),
  };
}

/** Names and strings only: how it is laid out is the formatter's. @param {string} text */
const essence = (text) => text.replace(/[\s,;|]/g, '');

/** Brings every registry up to what stands beside it. @returns {string[]} those that were not */
export function writeRegistries() {
  return Object.entries(registries()).flatMap(([path, text]) => {
    const file = join(CORE, path);
    let before = '';
    try {
      before = readFileSync(file, 'utf8');
    } catch {
      // not there yet
    }
    if (essence(before) === essence(HEAD + text)) return [];
    writeFileSync(file, `${HEAD}${text}\n`);
    return [path];
  });
}
