import { describe, expect, test, vi } from 'vitest';
import { signalsFor } from '../src/views/courtside/signals.ts';

describe('how a release is told', () => {
  test('a name is said first, then the buzz and the tones, in the order of time', () => {
    const due = signalsFor({ tone: 'three', voice: true, buzz: true }, 'Bo: backhand').map(({ beforeS }) => beforeS);
    expect(due).toEqual([...due].sort((a, b) => b - a));
    expect(due).toHaveLength(5);
    // handed to the audio clock a little before they sound
    expect(due.at(-1)).toBeGreaterThan(0);
    expect(due[0]).toBeGreaterThan(2);
  });
  test('silent is silent, and nothing is said where there is nothing to say', () => {
    expect(signalsFor({ tone: 'off', voice: false, buzz: false }, 'Bo')).toEqual([]);
    expect(signalsFor({ tone: 'off', voice: true, buzz: false }, '')).toEqual([]);
  });
  test('a device without a voice or a buzz is no error', () => {
    vi.stubGlobal('window', {});
    vi.stubGlobal('navigator', {});
    for (const { act } of signalsFor({ tone: 'off', voice: true, buzz: true }, 'Bo')) expect(act).not.toThrow();
    vi.unstubAllGlobals();
  });
});
