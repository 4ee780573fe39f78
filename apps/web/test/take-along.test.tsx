// @vitest-environment happy-dom
import { act, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { showsToasts, toastsAreThere } from '../src/ui/toast.ts';
import { TakeAlong } from '../src/views/logbook/TakeAlong.tsx';

/** What the page asked for, and the server's end of the file that comes. */
let asked: string[];
let file: ReadableStreamDefaultController<Uint8Array>;
let saved: { name: string; content: Blob }[];
let said: string[];
let answer: (body: ReadableStream<Uint8Array>) => Response;
beforeEach(() => {
  [asked, saved, said] = [[], [], []];
  answer = (body) => new Response(body, { headers: { 'content-type': 'text/csv; charset=utf-8', 'good-arc-lines': '3' } });
  vi.stubGlobal('fetch', async (url: string, { signal }: { signal: AbortSignal }) => {
    asked.push(url);
    return answer(
      new ReadableStream({
        start(controller) {
          file = controller;
          signal.addEventListener('abort', () => controller.error(signal.reason));
        },
      }),
    );
  });
  vi.spyOn(URL, 'createObjectURL').mockImplementation((content) => {
    saved.push({ name: '', content: content as Blob });
    return 'blob:one';
  });
  vi.spyOn(URL, 'revokeObjectURL').mockReturnValue();
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.at(-1)!.name = this.download;
  });
  const say = (text: string) => said.push(text);
  // what tests before this one said stays unsaid
  showsToasts(() => {})();
  toastsAreThere({ toast: Object.assign(say, { error: say, success: say }) } as never);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  // whoever showed messages is gone
  showsToasts(() => {})();
});

const write = (text: string) => act(async () => file.enqueue(new TextEncoder().encode(text)));
const begin = async (): Promise<void> => {
  render(<TakeAlong playerId={null} />);
  await userEvent.click(screen.getByRole('link', { name: 'All rounds as a sheet (CSV)' }));
};

test('one sees how far it is; the file is saved when it is whole', async () => {
  await begin();
  expect(asked).toEqual(['/api/rounds?as=csv']);
  await write('day,time\n2026-11-20,15:00\n');
  expect((await screen.findByText('2 of 3 rounds')).textContent).toBeTruthy();
  expect(saved).toEqual([]);
  await write('2026-11-21,15:00\n2026-11-22,15:00\n');
  await act(async () => file.close());
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
  expect(saved.map(({ name }) => name)).toEqual(['good-arc-rounds.csv']);
  expect(await saved[0]!.content.text()).toBe('day,time\n2026-11-20,15:00\n2026-11-21,15:00\n2026-11-22,15:00\n');
  expect(said).toEqual([]);
});

test('a file that ends early is not saved, and that is said', async () => {
  await begin();
  await write('day,time\n2026-11-20,15:00\n');
  await act(async () => file.error(new TypeError('network error')));
  await waitFor(() => expect(said).toEqual(['The file did not come whole, and nothing was saved. Please ask for it again.']));
  expect([saved, screen.queryByRole('status')]).toEqual([[], null]);
});

test('what the server refuses is said in its words', async () => {
  answer = () => Response.json({ type: 'about:blank', title: 'Please sign in first.', status: 401, errors: [] }, { status: 401 });
  await begin();
  await waitFor(() => expect(said).toEqual(['Please sign in first.']));
  expect(saved).toEqual([]);
});

test('given up, nothing is saved and nothing is said; asked for while one comes, no second begins', async () => {
  await begin();
  await write('day,time\n');
  await userEvent.click(screen.getByRole('link', { name: 'Every ball (JSON)' }));
  expect(asked).toHaveLength(1);
  await userEvent.click(screen.getByRole('button', { name: 'Give up' }));
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
  expect([saved, said]).toEqual([[], []]);
});
