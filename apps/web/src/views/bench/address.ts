import { type Setup, setupSchema } from '@good-arc/core';

/** @returns null for anything that is not a set-up of ours */
export function setupFromText(text: string): Setup | null {
  try {
    const parsed = setupSchema.safeParse(JSON.parse(atob(text.replaceAll('-', '+').replaceAll('_', '/'))));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Both set-ups of an address, and which is in hand. @returns null when the first is none of ours */
export function pairFromParams(params: URLSearchParams): { a: Setup; b: Setup | null; at: 'a' | 'b' } | null {
  const a = setupFromText(params.get('s') ?? '');
  if (!a) return null;
  const b = setupFromText(params.get('b') ?? '');
  return { a, b, at: b && params.get('on') === 'b' ? 'b' : 'a' };
}
