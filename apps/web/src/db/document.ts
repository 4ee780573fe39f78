import { customType } from 'drizzle-orm/mysql-core';
import { LRUCache } from 'lru-cache';
import { frozen } from './parsed.ts';

/**
 * Version of the documents in JSON columns. It is raised when one changes so that what is kept cannot be read as it stands; the migration that comes with
 * it brings what is kept along. A row of another version is set aside by whoever reads it (`Store.document`).
 */
export const DOCUMENT_VERSION = 1;

/** In place of a document that another version of Good Arc wrote. */
export class OtherVersion {
  readonly version: unknown;

  constructor(version: unknown) {
    this.version = version;
  }

  get problem(): string {
    return `written by another version of Good Arc (documents ${String(this.version)}; this one reads ${DOCUMENT_VERSION})`;
  }
}

/** Of documents that were read lately, characters: a rung is the card of hundreds of rounds, and each page reads the same kit. */
const MOST_KEPT = 12_000_000;
const read = new LRUCache<string, { document: unknown }>({ max: 20_000, maxSize: MOST_KEPT, sizeCalculation: (_, text) => text.length });

function parse(text: string): unknown {
  const before = read.get(text);
  if (before) return before.document;
  const kept = JSON.parse(text) as { version?: unknown; document?: unknown } | null;
  const document = kept?.version === DOCUMENT_VERSION ? frozen(kept.document) : new OtherVersion(kept?.version ?? 'without a version');
  read.set(text, { document });
  return document;
}

/**
 * A column of JSON, kept with its version; parsed on the way out (MariaDB stores it as text). The same text is the same object, which nobody may change.
 */
export const document = <T>() =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'json',
    toDriver: (value) => JSON.stringify({ version: DOCUMENT_VERSION, document: value }),
    // a driver that has parsed it already gives no text
    fromDriver: (value) => parse(typeof value === 'string' ? value : JSON.stringify(value)) as T,
  })();
