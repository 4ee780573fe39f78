/** Writes the JSON Schemas of the calc interface and of the open files to the folder given. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { formatJsonSchemas } from '@good-arc/core';
import { calcJsonSchemas } from '@good-arc/core/calc';

const folder = pathToFileURL(`${process.argv[2]}/`);
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries({ ...calcJsonSchemas(), ...formatJsonSchemas() }))
  writeFileSync(new URL(name, folder), `${JSON.stringify(schema, null, 2)}\n`);
