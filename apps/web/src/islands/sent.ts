/** What a page hands its island: one text, opened on the other side. */
const SENT = 'sent';
/** Beside it, for the drawing on the server, the props themselves: Astro sends no symbols. */
const ITSELF = Symbol('props');

/**
 * Props as one text: Astro writes each value of what it is handed with its kind, one by one and twice, which took a third of the time of Kit. Only what
 * JSON can carry arrives: text, numbers, lists, records.
 * @returns what `opened` opens; to the page it is still the props
 */
export const sent = <Props extends object>(props: Props): Props => ({ [SENT]: JSON.stringify(props), [ITSELF]: props }) as unknown as Props;

/** The props again, with what was handed beside them (slots); on the server the same documents as the page read, whose drawings and verdicts are kept. */
export function opened(handed: object): object {
  const { [SENT]: text, [ITSELF]: itself, ...others } = handed as Record<string | symbol, unknown>;
  if (itself) return { ...itself, ...others };
  return typeof text === 'string' ? { ...(JSON.parse(text) as object), ...others } : others;
}
