import type { Content, Contents, Format } from '../format.ts';
import type { ReadResult } from '../read.ts';
import { FORMATS } from './registry.ts';

const of = <What extends Content>(what: What): Format<What>[] =>
  (FORMATS as readonly Format[]).filter((format): format is Format<What> => format.what === what);

/** Reads a file of whatever format that holds this. */
export function readFile<What extends Content>(what: What, text: string): ReadResult<Contents[What]> {
  const formats = of(what);
  return (formats.find(({ isIt }) => isIt(text)) ?? formats[0]!).read(text);
}

/** What a person may choose for it, as a file field says it: suffixes and media types. */
export const filesOf = (what: Content): string => [...new Set(of(what).flatMap(({ suffix, mediaType }) => [suffix, mediaType]))].join(',');
