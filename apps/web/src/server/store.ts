import { and, asc, eq, inArray, isNotNull, isNull, type SQL } from 'drizzle-orm';
import type { AnyMySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import type { Db } from './db.ts';
import { notFound } from './problem.ts';
import type { Scope } from './scope.ts';

/** A table whose rows belong to a club and are removed softly. */
export type ClubTable = MySqlTable & { id: AnyMySqlColumn; clubId: AnyMySqlColumn; deletedAt: AnyMySqlColumn; createdAt: AnyMySqlColumn };

type Row<T extends MySqlTable> = T['$inferSelect'];
type Values<T extends MySqlTable> = Omit<T['$inferInsert'], 'clubId' | 'createdAt' | 'updatedAt' | 'deletedAt'> & { id: string };

/**
 * The one place that reads and writes a club's rows. Every statement is bound to the club of the scope, so that a foreign id is
 * simply not there.
 */
export class Store {
  private readonly db: Db;
  private readonly scope: Scope;

  constructor(db: Db, scope: Scope) {
    this.db = db;
    this.scope = scope;
  }

  /** Rows of the club that have not been removed, oldest first unless an order is given. */
  async list<T extends ClubTable>(table: T, where?: SQL, order: SQL | AnyMySqlColumn = table.createdAt): Promise<Row<T>[]> {
    const rows = await this.db
      .select()
      .from(table as MySqlTable)
      .where(and(this.mine(table), isNull(table.deletedAt), where))
      .orderBy(order as SQL, asc(table.id));
    return rows as Row<T>[];
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

  /**
   * Writes a row whole under the client's id: twice is the same as once, and a row that was removed comes back.
   * @throws Refusal 404 when the id belongs to another club
   */
  async put<T extends ClubTable>(table: T, values: Values<T>, what: string): Promise<void> {
    const { id, ...rest } = values;
    const change = await this.db
      .update(table as MySqlTable)
      .set({ ...rest, deletedAt: null } as never)
      .where(and(this.mine(table), eq(table.id, id)));
    if (change[0].affectedRows > 0) return;
    try {
      await this.db.insert(table as MySqlTable).values({ ...values, clubId: this.scope.clubId } as never);
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      // another request made it in between, or it is another club's: the update can tell
      const again = await this.db
        .update(table as MySqlTable)
        .set(rest as never)
        .where(and(this.mine(table), eq(table.id, id)));
      if (again[0].affectedRows === 0) throw notFound(what);
    }
  }

  /** @throws Refusal 404 when there is nothing to remove */
  async remove<T extends ClubTable>(table: T, id: string, what: string): Promise<void> {
    const change = await this.db
      .update(table as MySqlTable)
      .set({ deletedAt: new Date() } as never)
      .where(and(this.mine(table), eq(table.id, id), isNull(table.deletedAt)));
    if (change[0].affectedRows === 0) throw notFound(what);
  }

  /** Undoes `remove`. @throws Refusal 404 when it was not removed */
  async restore<T extends ClubTable>(table: T, id: string, what: string): Promise<void> {
    const change = await this.db
      .update(table as MySqlTable)
      .set({ deletedAt: null } as never)
      .where(and(this.mine(table), eq(table.id, id), isNotNull(table.deletedAt)));
    if (change[0].affectedRows === 0) throw notFound(what);
  }

  /** Several writes as one. */
  transaction<R>(work: (store: Store) => Promise<R>): Promise<R> {
    return this.db.transaction((tx) => work(new Store(tx as unknown as Db, this.scope)));
  }

  private mine(table: ClubTable): SQL {
    return eq(table.clubId, this.scope.clubId);
  }
}

const isDuplicate = (error: unknown): boolean => error instanceof Error && (error.cause as { errno?: number } | undefined)?.errno === 1062;
