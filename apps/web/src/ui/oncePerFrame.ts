/** Timers of the browser's frames; tests bring their own. */
interface Frames {
  request: (run: () => void) => number;
  cancel: (id: number) => void;
}

const browserFrames: Frames = {
  request: (run) => requestAnimationFrame(run),
  cancel: (id) => cancelAnimationFrame(id),
};

/** Does the newest of what is asked once a frame, however often it is asked: a pointer moves more often than anything can be drawn. */
export class OncePerFrame {
  private readonly frames: Frames;
  private next: (() => void) | null = null;
  private id = 0;

  constructor(frames: Frames = browserFrames) {
    this.frames = frames;
  }

  put(run: () => void): void {
    const waits = this.next !== null;
    this.next = run;
    if (!waits) this.id = this.frames.request(() => this.run());
  }

  /** Does at once what waits for its frame. */
  flush(): void {
    if (this.next === null) return;
    this.frames.cancel(this.id);
    this.run();
  }

  private run(): void {
    const now = this.next;
    this.next = null;
    now?.();
  }
}
