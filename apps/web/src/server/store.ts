import { and, asc, eq, getTableName, inArray, isNotNull, isNull, type SQL, sql } from 'drizzle-orm';
import type { AnyMySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import type { z } from 'zod';
import { OtherVersion } from '../db/document.ts';
import { parsedOnce } from '../db/parsed.ts';
import { type Db, inTransaction, isDuplicate, readied, untilThrough } from './db.ts';
import { log } from './log.ts';
import { CHANGED_SINCE, notFound, Refusal } from './problem.ts';
import type { Marks, Scope } from './scope.ts';

/** A table whose rows belong to a club and are removed softly. */
export type ClubTable = MySqlTable & { id: AnyMySqlColumn; clubId: AnyMySqlColumn; deletedAt: AnyMySqlColumn; createdAt: AnyMySqlColumn };

/** A row whose document could not be read: it is left out of what a page shows, and the page says so. */
export interface SetAside {
  what: string;
  id: string;
  /** By which people know it; empty when it has none. */
  name: string;
  /** The field that does not fit, and why. */
  problem: string;
}

/** Rows of one table that a page reads at most, where nothing else bounds them. */
export const MOST_LISTED = 5000;

/** What is said of rows beyond so many. */
export function tooMany(table: ClubTable, most: number): SetAside {
  const what = getTableName(table);
  return { what, id: what, name: '', problem: `There are more than ${most} of these: the rest is not on this page.` };
}

/** As `mine` in `Store.read`, of whichever club asks: for what is put together once and asked often. */
export const ofClub = (table: ClubTable): SQL | undefined => and(eq(table.clubId, sql.placeholder('clubId')), isNull(table.deletedAt));

/**
 * Whichever club asks, of a row that is changed by its id. Where a club has one row only, the database would look for it by an index of the club’s, and pass
 * it over while somebody else’s change moves it there.
 */
export const isOwn = (table: ClubTable, clubId: unknown = sql.placeholder('clubId')): SQL => sql`CONCAT(${table.clubId}) = ${clubId}`;

type Row<T extends MySqlTable> = T['$inferSelect'];
type Values<T extends MySqlTable> = Omit<T['$inferInsert'], 'clubId' | 'createdAt' | 'updatedAt' | 'deletedAt'> & { id: string };

/**
 * The one place that reads and writes a club's rows. Every statement is bound to the club of the scope, so that a foreign id is
 * simply not there.
 */
export class Store {
  private readonly db: Db;
  private readonly scope: Scope;
  /** Within a transaction. */
  readonly isWithin: boolean;
  /** Marks of the club's kit and ladders as they were when a page was asked for; null where nobody looked. */
  readonly marks: Marks | null;
  /** Rows that were left out of what was read. */
  readonly setAside: SetAside[] = [];

  constructor(db: Db, scope: Scope, { isWithin = false, marks = null }: { isWithin?: boolean; marks?: Marks | null } = {}) {
    this.db = db;
    this.scope = scope;
    this.isWithin = isWithin;
    this.marks = marks;
  }

  /** The rows of whoever this is. */
  of(scope: Scope): Store {
    return new Store(this.db, scope, { isWithin: this.isWithin });
  }

  /** The same rows, for work whose leavings are told apart. */
  apart(): Store {
    return new Store(this.db, this.scope, { isWithin: this.isWithin, marks: this.marks });
  }

  /** Rows that somebody else had to leave out of what is shown here. */
  leaveOut(rows: readonly SetAside[]): void {
    for (const row of rows) if (!this.setAside.some(({ id }) => id === row.id)) this.setAside.push(row);
  }

  /** Rows of the club that have not been removed, oldest first unless an order is given; what is beyond `most` is said to be left out. */
  async list<T extends ClubTable>(
    table: T,
    where?: SQL,
    order: SQL | AnyMySqlColumn = table.createdAt,
    most = MOST_LISTED,
  ): Promise<Row<T>[]> {
    const rows = await this.page(table, where, [order as SQL, asc(table.id)], most + 1);
    if (rows.length <= most) return rows;
    this.setAside.push(tooMany(table, most));
    return rows.slice(0, most);
  }

  /** Rows of the club that have not been removed, in an order of one's own; not more than `most`. */
  async page<T extends ClubTable>(table: T, where: SQL | undefined, order: readonly SQL[], most: number): Promise<Row<T>[]> {
    const rows = await this.db
      .select()
      .from(table as MySqlTable)
      .where(and(this.mine(table), isNull(table.deletedAt), where))
      .orderBy(...order)
      .limit(most);
    return rows as Row<T>[];
  }

  /** A reading of one's own over several tables; each must be bound by `mine`, which also leaves out what was removed. */
  read<R>(query: (db: Db, mine: (table: ClubTable) => SQL | undefined) => Promise<R>): Promise<R> {
    return query(this.db, (table) => and(this.mine(table), isNull(table.deletedAt)));
  }

  /**
   * As `read`, of a statement that is put together once for a database (`once`) and bound by `ofClub`. What pages ask the database keeps ready: on lines of
   * their own, which no machine waits for. @param values of its placeholders
   */
  ask<R>(
    statement: (db: Db) => { execute: (values: Record<string, unknown>) => Promise<R> },
    values: Record<string, unknown> = {},
  ): Promise<R> {
    return statement(this.marks ? readied(this.db) : this.db).execute({ ...values, clubId: this.scope.clubId });
  }

  /**
   * A JSON column, parsed: one bad document is set aside with its row and never takes the others with it.
   * @param named without a name of its own, the row goes by that in the document
   * @returns null when it does not fit
   */
  document<S extends z.ZodType>(schema: S, value: unknown, named: { what: string; id: string; name?: string }): z.output<S> | null {
    const other = [value, ...Object.values(value ?? {})].find((each) => each instanceof OtherVersion);
    const parsed = parsedOnce(schema, value);
    if (parsed.success && !other) return parsed.data;
    const [issue] = parsed.error?.issues ?? [];
    const row = { name: String((value as { name?: unknown } | null)?.name ?? ''), ...named };
    const problem = other?.problem ?? `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`;
    if (!this.setAside.some(({ id }) => id === row.id)) {
      this.setAside.push({ ...row, problem });
      log.warn({ ...row, problem }, 'a row that cannot be read was set aside');
    }
    return null;
  }

  /** @throws Refusal 404 */
  async one<T extends ClubTable>(table: T, id: string, what: string): Promise<Row<T>> {
    const [row] = await this.list(table, eq(table.id, id));
    if (!row) throw notFound(what);
    return row;
  }

  /** As `one`, removed rows included: a round keeps showing a player who was archived. */
  async any<T extends ClubTable>(table: T, ids: readonly string[]): Promise<Row<T>[]> {
    if (ids.length === 0) return [];
    return (await this.db
      .select()
      .from(table as MySqlTable)
      .where(and(this.mine(table), inArray(table.id, [...new Set(ids)])))) as Row<T>[];
  }

  /** As `one`, of removed rows, too. @throws Refusal 404 */
  async anyOne<T extends ClubTable>(table: T, id: string, what: string): Promise<Row<T>> {
    const [row] = await this.any(table, [id]);
    if (!row) throw notFound(what);
    return row;
  }

  /** As `anyOne`, and nobody else changes or locks the row until this transaction ends. @throws Refusal 404 */
  async lock<T extends ClubTable>(table: T, id: string, what: string): Promise<Row<T>> {
    const [row] = await this.db
      .select()
      .from(table as MySqlTable)
      .where(and(this.mine(table), eq(table.id, id)))
      .for('update');
    if (!row) throw notFound(what);
    return row as Row<T>;
  }

  /**
   * Writes a row whole under the client's id: twice is the same as once, and a row that was removed comes back.
   * Inserts first: an update of what is not there would lock the gap where others insert.
   * @throws Refusal 404 when the id belongs to another club
   */
  put<T extends ClubTable>(table: T, values: Values<T>, what: string): Promise<void> {
    const { id, ...rest } = values;
    return this.through(async () => {
      if (await this.add(table, values)) return;
      // it is there already, or it is another club's: the update can tell
      const change = await this.db
        .update(table as MySqlTable)
        .set({ ...rest, deletedAt: null } as never)
        .where(and(isOwn(table, this.scope.clubId), eq(table.id, id)));
      if (change[0].affectedRows === 0) throw notFound(what);
    });
  }

  /**
   * As `put`, of a row that people edit: from the version they saw. Without one it is new, or the repetition of what made it.
   * @returns the version it has now
   * @throws Refusal 409, with the row as it is kept, when somebody else has changed it since; 404 when the id belongs to another club
   */
  async putFrom<T extends ClubTable & { version: AnyMySqlColumn }>(
    table: T,
    values: Values<T>,
    what: string,
    seen: number | null,
  ): Promise<number> {
    const { id, ...rest } = values;
    return this.through(async () => {
      if (seen === null && (await this.add(table, values))) return 1;
      const version = seen === null ? 1 : seen + 1;
      const change = await this.db
        .update(table as MySqlTable)
        .set({ ...rest, version, deletedAt: null } as never)
        .where(and(isOwn(table, this.scope.clubId), eq(table.id, id), eq(table.version, seen ?? 1)));
      if (change[0].affectedRows > 0) return version;
      const kept = await this.anyOne(table, id, what);
      throw new Refusal(
        409,
        `Somebody else has changed this ${what} since this page was opened. Nothing of theirs was overwritten, and what you typed is still here.`,
        [{ pointer: '/version', detail: 'Keep yours, take theirs, or both.' }],
        CHANGED_SINCE,
        kept,
      );
    });
  }

  /** Inserts a row. @returns false when its id is taken, here or in another club */
  async add<T extends ClubTable>(table: T, values: Values<T>): Promise<boolean> {
    return this.added(
      (db) =>
        db
          .insert(table as MySqlTable)
          .values({ ...values, clubId: this.scope.clubId } as never)
          .prepare(),
      {},
    );
  }

  /** As `add`, by a statement that is put together once. */
  async added(
    statement: (db: Db) => { execute: (values: Record<string, unknown>) => Promise<unknown> },
    values: Record<string, unknown>,
  ): Promise<boolean> {
    try {
      await this.ask(statement, values);
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }

  /** Inserts many rows; those whose id is taken are passed over. */
  async addAll<T extends ClubTable>(table: T, rows: readonly Values<T>[]): Promise<void> {
    for (let i = 0; i < rows.length; i += ROWS_AT_ONCE)
      await this.db
        .insert(table as MySqlTable)
        .ignore()
        .values(rows.slice(i, i + ROWS_AT_ONCE).map((values) => ({ ...values, clubId: this.scope.clubId })) as never);
  }

  /** Changes some columns of rows that are there and fit. @param where names them by their ids @returns whether there was one */
  change<T extends ClubTable>(
    table: T,
    where: SQL | undefined,
    values: (Partial<Values<T>> & { deletedAt?: Date }) | Record<string, SQL>,
  ): Promise<boolean> {
    return this.through(async () => {
      const change = await this.db
        .update(table as MySqlTable)
        .set(values as never)
        .where(and(isOwn(table, this.scope.clubId), where));
      return change[0].affectedRows > 0;
    });
  }

  /** @throws Refusal 404 when there is nothing to remove */
  async remove<T extends ClubTable>(table: T, id: string, what: string): Promise<void> {
    const change = await this.db
      .update(table as MySqlTable)
      .set({ deletedAt: new Date() } as never)
      .where(and(isOwn(table, this.scope.clubId), eq(table.id, id), isNull(table.deletedAt)));
    if (change[0].affectedRows === 0) throw notFound(what);
  }

  /** Deletes rows for good: only of what nobody looks back at. */
  forget<T extends ClubTable>(table: T, where: SQL): Promise<void> {
    return this.through(async () => {
      await this.db.delete(table as MySqlTable).where(and(this.mine(table), where));
    });
  }

  /** Undoes `remove`. @throws Refusal 404 when it was not removed */
  async restore<T extends ClubTable>(table: T, id: string, what: string): Promise<void> {
    const change = await this.db
      .update(table as MySqlTable)
      .set({ deletedAt: null } as never)
      .where(and(isOwn(table, this.scope.clubId), eq(table.id, id), isNotNull(table.deletedAt)));
    if (change[0].affectedRows === 0) throw notFound(what);
  }

  /** Several writes as one. Done again when it met another's locks: nothing of it is left then. */
  transaction<R>(work: (store: Store) => Promise<R>): Promise<R> {
    return inTransaction(this.db, (tx) => work(new Store(tx, this.scope, { isWithin: true })));
  }

  /** A single write again by itself; within a transaction the whole of it is done again. */
  private through<R>(work: () => Promise<R>): Promise<R> {
    return this.isWithin ? work() : untilThrough(work);
  }

  get clubId(): string {
    return this.scope.clubId;
  }

  private mine(table: ClubTable): SQL {
    return eq(table.clubId, this.scope.clubId);
  }
}

/** One statement stays well below what the database takes. */
const ROWS_AT_ONCE = 400;
