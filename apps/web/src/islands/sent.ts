import { once } from '@good-arc/core';

/** Told to an island that its scripts draw, and the id of the element in the head of its page that carries its props. */
const SENT = 'sent';
/** What it hands one that the server draws: the props themselves, whose text goes beside the drawing. Astro sends no symbols. */
const ITSELF = Symbol('props');

/** The element that carries props. */
const CARRIER = 'script[type="application/json"]';

/** The text of documents that are kept, for as long as they are: nobody changes what is frozen. */
const textOfKept = /* @__PURE__ */ once((document: object) => JSON.stringify(document));

/** Such documents lie so deep in what a page hands on; deeper ones are put together each time, which the engine does quicker. */
const DEPTH = 2;

/** As `JSON.stringify` of text, numbers, lists and records; the same documents, handed on again, are not put together again. */
export function textOf(value: unknown, depth = DEPTH): string | undefined {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  if (Object.isFrozen(value)) return textOfKept(value);
  if (depth === 0) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map((each) => textOf(each, depth - 1) ?? 'null').join(',')}]`;
  if (Object.getPrototypeOf(value) !== Object.prototype) return JSON.stringify(value);
  const parts: string[] = [];
  for (const [name, each] of Object.entries(value)) {
    const text = textOf(each, depth - 1);
    if (text !== undefined) parts.push(`${JSON.stringify(name)}:${text}`);
  }
  return `{${parts.join(',')}}`;
}

/**
 * Props of an island that the server draws. Astro wrote each value of them with its kind, one by one and twice, which took a third of the time of Kit, and all
 * of it into an attribute, where each quote is six characters more. Only what JSON can carry arrives: text, numbers, lists, records.
 * @returns to the page it is still the props
 */
export const sent = <Props extends object>(props: Props): Props => ({ [ITSELF]: props }) as unknown as Props;

/**
 * Props of the one island of a page that its scripts draw: their text goes into the head (`carrierInHead`), for in an attribute each quote of it is seven characters.
 * @returns to the page it is still the props
 */
export function sentToScripts<Props extends object>(locals: { sent?: string }, props: Props): Props {
  locals.sent = textOf(props) ?? '{}';
  return { [SENT]: true } as unknown as Props;
}

/**
 * On the server: what was handed, with the same documents as the page read, whose drawings and verdicts are kept.
 * @returns `text`: the props as text; null where nothing of ours was handed. `isAll`: nothing else was handed with them (slots)
 */
export function handed(props: object): { props: object; text: string | null; isAll: boolean } {
  const { [ITSELF]: itself, ...others } = props as Record<string | symbol, unknown>;
  if (!itself) return { props, text: null, isAll: false };
  return { props: { ...itself, ...others }, text: textOf(itself) ?? '{}', isAll: Object.keys(others).length === 0 };
}

/** The element that carries this text of props; no text ends it. @param id where it stands apart from its island */
export const carrierOf = (text: string, id?: typeof SENT): string =>
  `<script type="application/json"${id ? ` id="${id}"` : ''}>${text.replaceAll('<', '\\u003c')}</script>`;

/** What the head of a page carries that its scripts draw. */
export const carrierInHead = (text: string): string => carrierOf(text, SENT);

/** In the browser: the props again, with what Astro handed beside them (slots). What carried them is taken away, and the drawing stands alone. */
export function opened(element: Element, beside: object): object {
  const { [SENT]: isApart, ...others } = beside as Record<string, unknown>;
  const carrier = isApart ? document.getElementById(SENT) : element.querySelector(`:scope > ${CARRIER}`);
  carrier?.remove();
  return { ...(JSON.parse(carrier?.textContent ?? '{}') as object), ...others };
}
