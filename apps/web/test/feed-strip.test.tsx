import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import { FeedShape, FeedStrip } from '../src/ui/FeedShape.tsx';

const pathsIn = (markup: string) =>
  [...markup.matchAll(/<path d="([^"]+)" fill="([^"]+)"/g)].map(([, d, fill]) => ({ d: d!, fill: fill! }));

test('a strip has a shape for each ball, in its order, as each is drawn alone', () => {
  const feeds = [0, 1, 0, 3, 4];
  const drawn = pathsIn(renderToStaticMarkup(<FeedStrip feeds={feeds} />)).flatMap(({ d, fill }) =>
    d.split(/(?=M)/).map((shape) => ({ fill, at: Number.parseInt(shape.slice(1), 10), way: shape.replace(/^M\d+/, '') })),
  );
  drawn.sort((a, b) => a.at - b.at);
  const alone = feeds.map((index) => pathsIn(renderToStaticMarkup(<FeedShape index={index} />))[0]!);
  expect(drawn.map(({ fill, way }) => ({ fill, way }))).toEqual(alone.map(({ d, fill }) => ({ fill, way: d.replace(/^M\d+/, '') })));
  expect(new Set(drawn.map(({ at }) => at)).size).toBe(feeds.length);
});
