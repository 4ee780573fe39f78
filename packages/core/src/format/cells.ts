/** How CSV is written: what a spreadsheet would take for a formula, or what was written so that it does not, gets an apostrophe before it. */
export const SAFE_CELLS = { escapeFormulae: /^'*[=+\-@\t\r].*$/, newline: '\n' } as const;

/** A cell as it was meant: without the apostrophe that kept it from being a formula. */
export const readCell = (cell: string | undefined): string => (cell ?? '').trim().replace(/^'(?='*[=+\-@])/, '');
