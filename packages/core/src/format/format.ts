import type { Feed } from '../drill/index.ts';
import type { Card } from './card-schema.ts';
import type { MachineFile } from './machine-schema.ts';
import type { ReadResult } from './read.ts';

/** What a file may hold, and what becomes of it when it is read. */
export interface Contents {
  /** A ladder as a setup card. */
  card: Card;
  /** A machine with its dials. */
  machine: MachineFile;
  /** The balls of a rung. */
  balls: readonly Feed[];
}
/** What a file may hold. */
export type Content = keyof Contents;

/** A file of one kind: a new one is a file in `formats/`. */
export interface Format<What extends Content = Content> {
  what: What;
  /** As a person calls it: “setup card”. */
  name: string;
  /** `.csv`; empty for what only travels as text in a message. */
  suffix: string;
  mediaType: string;
  /** Whether a text looks like it; read then, what does not fit is named. */
  isIt: (text: string) => boolean;
  read: (text: string) => ReadResult<Contents[What]>;
}
