/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    scope?: import('./server/scope.ts').Scope;
    /** Whether the scope still holds is left to the endpoint. */
    unproven?: import('./server/scope.ts').Unproven;
    /** Pages only. */
    marks?: import('./server/scope.ts').Marks | null;
    /** Of a page that was drawn: a part of it is left to its scripts. */
    isByScripts?: boolean;
    /** What it is handed, as text (`islands/sent.ts`). */
    sent?: string;
  }
}

/** The build's language, as pages name it. */
interface ImportMetaEnv {
  readonly LANGUAGE: string;
}
/** Short names of days (Sunday first) and months in the build's language. */
declare const CALENDAR: { readonly days: readonly string[]; readonly months: readonly string[] };
