import { type Setup, setupSchema } from '@good-arc/core';

/** The set-up as text for the address, so that a link reopens the bench as it was. */
export const setupToText = (setup: Setup): string =>
  btoa(JSON.stringify(setup)).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');

/** @returns null for anything that is not a set-up of ours */
export function setupFromText(text: string): Setup | null {
  try {
    const parsed = setupSchema.safeParse(JSON.parse(atob(text.replaceAll('-', '+').replaceAll('_', '/'))));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
