/** What a page hands its island: one text, opened on the other side. */
const SENT = 'sent';

/**
 * Props as one text: Astro writes each value of what it is handed with its kind, one by one and twice, which took a third of the time of a page that lists
 * much. Only what JSON can carry arrives: text, numbers, lists, records.
 * @returns what `opened` opens; to the page it is still the props
 */
export const sent = <Props extends object>(props: Props): Props => ({ [SENT]: JSON.stringify(props) }) as unknown as Props;

/** The props again, with what was handed beside them (slots). */
export function opened(handed: object): object {
  const { [SENT]: text, ...others } = handed as Record<string, unknown>;
  return typeof text === 'string' ? { ...(JSON.parse(text) as object), ...others } : others;
}
