// Before any island of a page begins: scripts that most pages share are read one by one, each in a task of its own. As parts of one another they were read in
// one go, which took a phone longer than it may stand still. Meanwhile the islands' own are fetched.
for (const island of document.querySelectorAll('astro-island'))
  for (const kind of ['component-url', 'renderer-url']) {
    const href = island.getAttribute(kind);
    if (href) document.head.append(Object.assign(document.createElement('link'), { rel: 'modulepreload', href }));
  }
const main = document.querySelector('main');
// a page that the server draws whole has islands in its head only, which know of no sport
const ofView = main?.querySelector('astro-island') ? [import('../ui/place.ts')] : [];
const ofFlight = main?.hasAttribute('data-flies') ? [import('../ui/outcomeLook.ts'), import('../ui/gameBalls.ts')] : [];
// one that cannot be had is missed, and said, where it is needed
await Promise.allSettled([import('react-dom/client'), import('../ui/Button.tsx'), ...ofView, ...ofFlight]);

export {};
