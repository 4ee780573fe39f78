/**
 * The scripts of the app in few pieces: what several pages load together is one file. Left to itself the bundler makes a file of everything that the same
 * pages use, 41 for a ladder, and a phone asks for each, reads each by itself, and gets each compressed by itself. Whatever is not named here it deals out.
 * Each piece by the modules in it, of the core (`packages/core/src`), of the app (`apps/web/src`) and of libraries. A module that only few of a piece's pages
 * use does not belong into it: all of them load it (`./arc load --browser` shows what each page loads).
 * @type {Record<string, { core?: RegExp, app?: RegExp, library?: RegExp }>}
 */
const PIECES = {
  /** On every page with an island. */
  react: { library: /^(react|react-dom|scheduler)\// },
  /** On every page: what its head needs, and the small parts that all are made of. */
  page: {
    core: /^(once|drill\/feeds|people\/kinds|progress\/rate|quantity\/(print|units))\.ts$/,
    app: /^(device\/(alone|atRest|canKeep|drawn|inUse|kept|store)|ui\/(api|day|download|outbox|putRow|toast|undo|useAwake|useKeys|when)|words\/roles)\.ts$|^ui\/(Button|Dialog|later|Moment|Notice|Units)\.tsx$/,
    // but for icons of one page only
    library:
      /^(idb|tinykeys|uuid)\/|^lucide-react\/(?!.*\/(arrow-down|arrow-up|clipboard-copy|grip-vertical|pause|play|printer|shuffle|skip-back|star|step-back|step-forward)\.)/,
  },
  /** Nearly everywhere: sports, courts, levels. */
  sports: {
    core: /^(catalog\/(balls|contact|court|game-ball|sport|surface|surfaces|types)|catalog\/sports\/(?!.*drills).*|dial\/curve-shape|drill\/kinds|flight\/(air|laws)|people\/day-cap|progress\/(gate|outcome|players))\.ts$/,
    app: /^(ui\/(around|links|moved|place|whenMeant)|words\/level)\.ts$|^ui\/Select\.tsx$/,
  },
  /** Where rungs and rounds are looked at: rates, what is said of them. */
  drawing: {
    core: /^aim\/reason-text\.ts$/,
    app: /^ui\/(history|targetBox|useWidth)\.ts$|^ui\/(ComfortMark|ForCoaches|RateBar|SourceMark|TextField)\.tsx$/,
  },
  /** Rungs, drawn small: not on court. */
  thumbs: { app: /^ui\/(thumb\.ts|ArcThumb\.tsx)$/ },
  /** Where balls are flown, and what they came to. */
  flight: {
    core: /^(random|bench\/throw|catalog\/(levels|record)|drill\/(goal|lines|order|score|target|timing)|flight\/(bounce|fly|last-step|pair|spin-drag|stepper)|ladder\/spoiled|machine\/spin|progress\/next)\.ts$/,
    app: /^(ui\/(outcomeLook|sayTarget)|words\/(goals|outcomes|progress|spoiled))\.ts$/,
  },
  /** Where balls are aimed and judged: a ladder, a rung on court, the bench, what builds a rung. */
  judging: {
    core: /^(aim\/(aim|arcs|family|game|nearest|probe|types)|bench\/game|catalog\/game-book|dial\/wheels|format\/settings|ladder\/(hurry|secret|venue)|machine\/(aim|capability|shift)|parts|pitch\/(contact-time|fielding|hitting|zone)|rules\/.*|spread\/(endpoint|sensitivity|spread|trim))\.ts$/,
    app: /^(ui\/gameBalls|words\/secret)\.ts$/,
  },
  /** Dials, and chances. */
  tuning: {
    core: /^(dial\/(curve|curve-value|scale)|progress\/(student|width)|spread\/normal)\.ts$/,
    app: /^ui\/dialUnits\.ts$/,
    library: /^jstat\//,
  },
  /** Only where there are forms with many fields. */
  forms: { library: /^(react-hook-form|@hookform)\// },
};

/** @type {[keyof typeof PIECES[string], RegExp][]} */
const PLACES = [
  ['library', /\/node_modules\//],
  ['core', /\/packages\/core\/src\//],
  ['app', /\/apps\/web\/src\//],
];

/** In which piece a module belongs; undefined where the bundler may say. @param {string} id its file */
export function pieceOf(id) {
  // helpers that the bundler writes itself
  if (id.includes('commonjsHelpers')) return 'react';
  // by itself: what is fetched before all else needs nothing but this (islands/before.ts)
  if (id.includes('vite/preload-helper')) return 'fetching';
  for (const [place, at] of PLACES) {
    // of what stands in a library's own folder for libraries the pages know nothing
    const [, path] = id.split(at);
    if (path !== undefined) return Object.entries(PIECES).find(([, piece]) => piece[place]?.test(path))?.[0];
  }
  return undefined;
}
