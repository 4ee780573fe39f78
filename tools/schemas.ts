/** Writes the JSON Schemas of the calc interface to docs/schema. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { calcJsonSchemas } from '@good-arc/core/calc';

const folder = new URL('../docs/schema/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(calcJsonSchemas())) writeFileSync(new URL(name, folder), `${JSON.stringify(schema, null, 2)}\n`);
