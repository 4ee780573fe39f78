// @vitest-environment happy-dom
import { act, createElement, useId } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { describe, expect, test, vi } from 'vitest';
import { atLast, gather, whole } from '../src/islands/apart.ts';
import begin from '../src/islands/client.ts';
import { carrierInHead, carrierOf, handed, opened, sent, sentToScripts, textOf } from '../src/islands/sent.ts';
import islands from '../src/islands/server.ts';

const page = () => ({ result: {} });
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const Greeting = ({ name, size }: { name: string; size: number | null }) => (
  <p>
    {name} {size ?? 'none'}
  </p>
);
const Field = () => <input id={useId()} />;
let drawings = 0;
const Day = ({ name }: { name: string }) => <p>{`${name} ${++drawings}`}</p>;
const Other = ({ name }: { name: string }) => <h2>{name}</h2>;
const seen: unknown[] = [];
const Seen = ({ at }: { at: string }) => {
  seen.push(`drawn ${at}`);
  return <p>{at}</p>;
};
const Broken = (): never => {
  throw new Error('no such ball');
};

describe('islands', () => {
  /** An island as it stands in a page before its scripts come. */
  function island(html: string): Element {
    const element = document.createElement('astro-island');
    element.innerHTML = `${html}<!--astro:end-->`;
    return element;
  }
  const props = { viewer: { name: 'Ines “Quote” <b>', units: null }, rungs: [1, 2.5, -0.25], at: '</script><script>alert(1)</script>' };
  test('what a page hands a drawing stands beside it, and arrives as it was, with what Astro adds', () => {
    const { props: shown, text, isAll } = handed({ ...sent(props), children: 'slot' });
    expect(shown).toEqual({ ...props, children: 'slot' });
    expect((shown as typeof props).rungs).toBe(props.rungs);
    expect(isAll).toBe(false);
    const element = island(`<p>Drawn</p>${carrierOf(text ?? '')}`);
    expect(element.querySelectorAll('script')).toHaveLength(1);
    expect(opened(element, { children: 'slot' })).toEqual({ ...props, children: 'slot' });
    expect(element.innerHTML).toBe('<p>Drawn</p><!--astro:end-->');
  });
  test('what it hands its scripts comes in the head of the page', () => {
    const locals: { sent?: string } = {};
    const beside = JSON.parse(JSON.stringify({ ...sentToScripts(locals, props), children: 'slot' }));
    document.head.innerHTML = carrierInHead(locals.sent!);
    expect(opened(island('<p>One moment</p>'), beside)).toEqual({ ...props, children: 'slot' });
    expect(document.head.querySelector('script')).toBeNull();
  });
  test('what a component wants done before comes first, and a failure of it is left to the drawing', async () => {
    const element = island(carrierOf(JSON.stringify(props)));
    element.setAttribute('ssr', '');
    const before = async (given: object) => {
      await new Promise((resolve) => setTimeout(resolve));
      seen.push(given);
      throw new Error('no such ball');
    };
    await begin(element as HTMLElement)(Object.assign(Seen, { before }), {}, {}, { client: 'only' });
    await vi.waitFor(() => expect(seen.slice(0, 2)).toEqual([props, `drawn ${props.at}`]));
  });
  test('data of the drawing itself are nobody’s props', () => {
    const element = island('<p>Drawn<script type="application/json">{"a":1}</script></p>');
    expect(opened(element, { plain: 1 })).toEqual({ plain: 1 });
    expect(element.querySelector('script')).not.toBeNull();
  });
  test('one is drawn with its props, is taken over by its scripts as it stands, and every one of a page has ids of its own', async () => {
    const here = page();
    const draw = islands.renderToStaticMarkup;
    const { html } = await draw.call(here, Greeting, sent({ name: 'Bramble', size: null }), {}, { hydrate: 'load' });
    const element = island(html);
    const drawn = element.querySelector('p');
    expect(drawn?.textContent).toBe('Bramble none');
    const faults: unknown[] = [];
    const handedOn = opened(element, {}) as { name: string; size: null };
    await act(async () => hydrateRoot(element, createElement(Greeting, handedOn), { onRecoverableError: (each) => faults.push(each) }));
    expect(element.querySelector('p')).toBe(drawn);
    expect(faults).toEqual([]);
    const [first, second] = [await draw.call(here, Field, {}), await draw.call(here, Field, {})];
    expect(first.html).not.toBe(second.html);
    expect(first.attrs.prefix).not.toBe(second.attrs.prefix);
    expect((await draw.call(page(), Greeting, sent({ name: 'Bramble', size: 3 }))).attrs.prefix).toBe('r0');
  });
  test('one is drawn once a minute as long as its props are the same', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-06-01T10:00:10Z') });
    drawings = 0;
    const draw = async (Island: typeof Day, props: object, hydrate?: string) =>
      (await islands.renderToStaticMarkup.call(page(), Island, props, {}, hydrate ? { hydrate } : {})).html;
    try {
      const first = await draw(Day, sent({ name: 'Bramble' }));
      expect(await draw(Day, sent({ name: 'Bramble' }))).toBe(first);
      expect(drawings).toBe(1);
      expect(await draw(Day, sent({ name: 'Fenn' }))).toContain('Fenn');
      expect(await draw(Other, sent({ name: 'Bramble' }))).toBe('<h2>Bramble</h2>');
      expect(await draw(Other, sent({ name: 'Bramble' }), 'load')).toContain('<script');
      expect(await draw(Day, { ...sent({ name: 'Bramble' }), children: 'slot' })).toContain(' 3</p>');
      vi.setSystemTime(new Date('2026-06-01T10:01:00Z'));
      expect(await draw(Day, sent({ name: 'Bramble' }))).toContain(' 4</p>');
    } finally {
      vi.useRealTimers();
    }
  });
  test('where a page is gathered, a mark stands for each drawing, and the whole page has them in their places', async () => {
    const request = {};
    gather(request);
    const here = { result: { request } };
    const draw = async (name: string) => (await islands.renderToStaticMarkup.call(here, Other, sent({ name }))).html;
    const [first, second] = [await draw('$& of <b> “ø”'), await draw('<!--island 0-->')];
    expect(first).not.toContain('of');
    expect(atLast(request, (html) => html.replace('</head>', '<link></head>'))).toBe(true);
    const page = whole(request, `<head></head>${second}<hr title="–">${first}`);
    expect(text(page)).toBe('<head><link></head><h2>&lt;!--island 0--&gt;</h2><hr title="–"><h2>$&amp; of &lt;b&gt; “ø”</h2>');
    // it may be given away
    expect(page.buffer.byteLength).toBe(page.length);
  });
  test('where nobody gathers one, it is whole as Astro draws it', async () => {
    const request = {};
    const here = { result: { request } };
    expect((await islands.renderToStaticMarkup.call(here, Other, sent({ name: 'Fenn – ø' }))).html).toBe('<h2>Fenn – ø</h2>');
    expect(atLast(request, String)).toBe(false);
    expect(text(whole(request, '<p>–</p>'))).toBe('<p>–</p>');
  });
  test('what cannot be drawn is an error, not half a page', async () => {
    await expect(islands.renderToStaticMarkup.call(page(), Broken, {})).rejects.toThrow('no such ball');
  });
});

describe('the text of props', () => {
  const deep = { a: { b: { c: { d: { e: [1, { f: undefined, g: 'x' }] } } } } };
  const kept = Object.freeze({ name: 'Row “1” <b>', list: Object.freeze([1, null, Object.freeze({ a: '\u2028' })]) });
  test.each([
    ['values of every kind', { text: 'a"b', no: null, none: undefined, yes: true, n: -0.5, nan: Number.NaN, at: new Date(0) }],
    ['lists with holes of nothing', { list: [undefined, 1, [undefined], () => 1] }],
    ['deep ones', deep],
    ['documents that are kept', { viewer: kept, list: [kept, { kept }], empty: {} }],
    [
      'a class of its own',
      {
        of: new (class {
          x = 1;
          toJSON = () => ({ y: 2 });
        })(),
      },
    ],
  ])('%s: as JSON has it, the second time, too', (_, props) => {
    for (let i = 0; i < 2; i++) expect(textOf(props)).toBe(JSON.stringify(props));
  });
  test('a document that is kept is put together once', () => {
    const toJSON = vi.fn(() => 'once');
    const document = Object.freeze({ toJSON });
    expect([textOf({ document }), textOf({ again: [document] })]).toEqual(['{"document":"once"}', '{"again":["once"]}']);
    expect(toJSON).toHaveBeenCalledTimes(1);
  });
});
