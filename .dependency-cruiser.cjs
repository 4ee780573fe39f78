/** Imports point one way: apps/web → simulator → line → core. Views do not reach into one another. */
module.exports = {
  forbidden: [
    {
      name: 'core-knows-nobody',
      severity: 'error',
      from: { path: '^packages/core/(src|test)/' },
      to: { path: '^(packages/(line|simulator)|apps|tools)' },
    },
    {
      name: 'line-knows-core-only',
      severity: 'error',
      from: { path: '^packages/line/(src|test)/' },
      to: { path: '^(packages/simulator|apps|tools)' },
    },
    {
      name: 'simulator-knows-the-line',
      severity: 'error',
      from: { path: '^packages/simulator/(src|test)/' },
      to: { path: '^(apps|tools)' },
    },
    {
      name: 'views-are-islands',
      severity: 'error',
      from: { path: '^apps/web/src/views/([^/]+)/' },
      to: { path: '^apps/web/src/views/', pathNot: '^apps/web/src/views/$1/' },
    },
    {
      name: 'only-the-server-opens-the-database',
      severity: 'error',
      from: { path: '^apps/web/src/(views|ui|workers)/' },
      to: { path: '^apps/web/src/(db|server)/' },
    },
    { name: 'ui-knows-no-view', severity: 'error', from: { path: '^apps/web/src/ui/' }, to: { path: '^apps/web/src/views/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    exclude: { path: '(node_modules|dist|\\.astro)' },
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
