import type { Setup } from '@good-arc/core';

/** The set-up as text for the address, so that a link reopens the bench as it was. */
export const setupToText = (setup: Setup): string =>
  btoa(JSON.stringify(setup)).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
