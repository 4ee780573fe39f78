export type SaveState = 'saved' | 'saving' | 'failed';

const SAVE_AFTER_MS = 350;

/**
 * Keeps a value with the server: a moment after the last change, one write after the other so that the last one counts.
 * A write that fails leaves the value waiting until it is changed again or `again` is called.
 */
export class Autosave<T> {
  private kept: T;
  private latest: T;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private inFlight: Promise<void> | null = null;
  private readonly write: (value: T) => Promise<void>;
  private readonly tell: (state: SaveState, error?: unknown) => void;

  /**
   * @param initial what the server has
   * @param write puts a value there; rejects when it could not
   * @param tell hears every change of state, with the error of a write that failed
   */
  constructor(initial: T, write: (value: T) => Promise<void>, tell: (state: SaveState, error?: unknown) => void) {
    this.kept = initial;
    this.latest = initial;
    this.write = write;
    this.tell = tell;
  }

  /** Whether the server has this value. */
  has(value: T): boolean {
    return value === this.kept;
  }

  put(value: T): void {
    if (value === this.latest) return;
    this.latest = value;
    this.cancel();
    // undone before it was written
    if (value === this.kept && !this.inFlight) {
      this.tell('saved');
      return;
    }
    this.tell('saving');
    this.timer = setTimeout(() => this.flush(), SAVE_AFTER_MS);
  }

  /** Writes again what could not be written. */
  again(): void {
    this.cancel();
    if (this.latest === this.kept && !this.inFlight) return;
    this.tell('saving');
    this.flush();
  }

  private cancel(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }

  private flush(): void {
    this.timer = null;
    const value = this.latest;
    const mine = (this.inFlight ?? Promise.resolve()).then(async () => {
      let failure: { error: unknown } | null = null;
      try {
        await this.write(value);
        this.kept = value;
      } catch (error) {
        failure = { error };
      }
      if (this.inFlight === mine) this.inFlight = null;
      // a change made meanwhile still waits for its own turn, and is not saved yet
      if (this.latest !== value) return;
      if (failure) this.tell('failed', failure.error);
      else this.tell('saved');
    });
    this.inFlight = mine;
  }
}
