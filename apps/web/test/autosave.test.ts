import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Autosave, type SaveState } from '../src/ui/autosave.ts';

/** A server that answers when told to. */
function slowServer() {
  const writes: { value: string; answer: (error?: Error) => Promise<void> }[] = [];
  const states: SaveState[] = [];
  const autosave = new Autosave<string>(
    'as opened',
    (value) =>
      new Promise((resolve, reject) => {
        writes.push({
          value,
          answer: async (error) => {
            if (error) reject(error);
            else resolve();
            await vi.advanceTimersByTimeAsync(0);
          },
        });
      }),
    (state) => states.push(state),
  );
  return { autosave, writes, states, wait: () => vi.advanceTimersByTimeAsync(1000) };
}

describe('saving by itself', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('writes the last of several quick changes once', async () => {
    const { autosave, writes, states, wait } = slowServer();
    for (const value of ['a', 'ab', 'abc']) autosave.put(value);
    await wait();
    expect(writes.map(({ value }) => value)).toEqual(['abc']);
    await writes[0]!.answer();
    expect(states.at(-1)).toBe('saved');
  });

  it('does not call a change saved while only the one before it is', async () => {
    const { autosave, writes, states, wait } = slowServer();
    autosave.put('first');
    await wait();
    autosave.put('second');
    await writes[0]!.answer();
    expect(states.at(-1)).toBe('saving');
    await wait();
    expect(writes[1]!.value).toBe('second');
    await writes[1]!.answer();
    expect(states.at(-1)).toBe('saved');
  });

  it('holds a write back until the one before it is answered', async () => {
    const { autosave, writes, wait } = slowServer();
    autosave.put('first');
    await wait();
    autosave.put('second');
    await wait();
    expect(writes).toHaveLength(1);
    await writes[0]!.answer();
    expect(writes.map(({ value }) => value)).toEqual(['first', 'second']);
  });

  it('writes nothing when a change is undone before its turn', async () => {
    const { autosave, writes, states, wait } = slowServer();
    autosave.put('changed');
    autosave.put('as opened');
    await wait();
    expect(writes).toEqual([]);
    expect(states.at(-1)).toBe('saved');
  });

  it('writes the old value when a change is undone while it is being written', async () => {
    const { autosave, writes, wait } = slowServer();
    autosave.put('changed');
    await wait();
    autosave.put('as opened');
    await writes[0]!.answer();
    await wait();
    expect(writes.map(({ value }) => value)).toEqual(['changed', 'as opened']);
  });

  it('says what failed, keeps it, and writes it when asked again', async () => {
    const { autosave, writes, states, wait } = slowServer();
    autosave.put('changed');
    await wait();
    await writes[0]!.answer(new Error('away'));
    expect(states.at(-1)).toBe('failed');
    autosave.again();
    await wait();
    expect(writes.map(({ value }) => value)).toEqual(['changed', 'changed']);
    await writes[1]!.answer();
    expect(states.at(-1)).toBe('saved');
  });
});
