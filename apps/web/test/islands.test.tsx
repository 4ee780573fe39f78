import { useId } from 'react';
import { describe, expect, test } from 'vitest';
import { opened, sent } from '../src/islands/sent.ts';
import islands from '../src/islands/server.ts';

const page = () => ({ result: {} });
const Greeting = ({ name, size }: { name: string; size: number | null }) => (
  <p>
    {name} {size ?? 'none'}
  </p>
);
const Field = () => <input id={useId()} />;
const Broken = (): never => {
  throw new Error('no such ball');
};

describe('islands', () => {
  test('what a page hands over arrives as it was, beside what Astro adds', () => {
    const props = { viewer: { name: 'Ines “Quote” <b>', units: null }, rungs: [1, 2.5, -0.25], at: 'players' };
    const handed = { ...sent(props), children: 'slot' };
    // as Astro sends it, which is without symbols, and as it draws on the server
    expect(opened(JSON.parse(JSON.stringify(handed)))).toEqual({ ...props, children: 'slot' });
    expect(opened(handed)).toEqual({ ...props, children: 'slot' });
    expect((opened(handed) as typeof props).rungs).toBe(props.rungs);
    expect(opened({ plain: 1 })).toEqual({ plain: 1 });
  });
  test('one is drawn with its props opened, and every one of a page has ids of its own', async () => {
    const here = page();
    const draw = islands.renderToStaticMarkup;
    expect((await draw.call(here, Greeting, sent({ name: 'Bramble', size: null }))).html).toContain('Bramble');
    const [first, second] = [await draw.call(here, Field, {}), await draw.call(here, Field, {})];
    expect(first.html).not.toBe(second.html);
    expect(first.attrs.prefix).not.toBe(second.attrs.prefix);
    expect((await draw.call(page(), Greeting, sent({ name: 'Bramble', size: 3 }))).attrs.prefix).toBe('r0');
  });
  test('what cannot be drawn is an error, not half a page', async () => {
    await expect(islands.renderToStaticMarkup.call(page(), Broken, {})).rejects.toThrow('no such ball');
  });
});
