import { customType } from 'drizzle-orm/mysql-core';

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

/** A column of JSON, kept with its version; parsed on the way out whatever the driver did with it (MariaDB stores it as text). */
export const document = <T>() =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'json',
    toDriver: (value) => JSON.stringify({ version: DOCUMENT_VERSION, document: value }),
    fromDriver: (value) => {
      const kept = (typeof value === 'string' ? JSON.parse(value) : value) as { version?: unknown; document?: unknown } | null;
      return (kept?.version === DOCUMENT_VERSION ? kept.document : new OtherVersion(kept?.version ?? 'without a version')) as T;
    },
  })();
