import type { PersonId } from '@good-arc/core';
import type { Scope } from './scope.ts';

const MOST_KNOWN = 500;
/** Who was looked up so lately may prove it with what they ask for, ms; after that they are looked up again, which also keeps their session from ending. */
const LATELY_MS = 60_000;
/** Who was signed in is believed for so long where a machine goes on, ms. To stop one, for ever. */
const BELIEVED_MS = 300_000;

/** Who held a token when it was last looked up: for commands that must not wait for the database, and while it is gone. */
class KnownTokens {
  private readonly known = new Map<string, { scope: Scope; atMs: number }>();

  get(token: string): { scope: Scope; atMs: number } | undefined {
    return this.known.get(token);
  }

  /** Who was signed in lately; null when that is too long ago. */
  believed(token: string): Scope | null {
    return this.within(token, BELIEVED_MS);
  }

  /** Who was looked up a moment ago; null when it is longer. */
  lately(token: string): Scope | null {
    return this.within(token, LATELY_MS);
  }

  private within(token: string, ms: number): Scope | null {
    const known = this.known.get(token);
    return known && performance.now() - known.atMs < ms ? known.scope : null;
  }

  remember(token: string, scope: Scope | null): void {
    // the one that was seen longest ago makes room
    this.known.delete(token);
    if (!scope) return;
    this.known.set(token, { scope, atMs: performance.now() });
    if (this.known.size > MOST_KNOWN) this.known.delete(this.known.keys().next().value!);
  }

  /** They signed out: one token, or all of a person's. */
  forget(token: string, everywhereOf: PersonId | null): void {
    this.known.delete(token);
    for (const [each, { scope }] of this.known) if (scope.personId === everywhereOf) this.known.delete(each);
  }
}

export const knownTokens = new KnownTokens();
