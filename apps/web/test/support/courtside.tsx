import { firstChecklist, type RungDocument } from '@good-arc/core';
import { act, render, screen, waitFor } from '@testing-library/react';
import type { MachineRow, PlayerRow } from '../../src/api/rows.ts';
import { Toasts } from '../../src/ui/Toasts.tsx';
import Courtside from '../../src/views/courtside/Courtside.tsx';
import { readyForRound } from '../../src/views/courtside/lateParts.tsx';
import type { CourtsideProps } from '../../src/views/courtside/useOnCourt.ts';
import { type Asked, aPage, FakeStream } from './page.ts';
import { aPlayer } from './player.ts';
import { profileOf, rungDocument } from './rig.ts';
import { aViewer } from './viewer.ts';

await readyForRound();

export const id = (n: number): string => `01890000-0000-7000-8000-${String(n).padStart(12, '0')}`;
export const profile = profileOf('Two-wheel portable');
export const machine: MachineRow = { version: 1, id: id(2), name: 'Bramble', profile, dials: [], today: null, linkAddress: '', notes: '' };
export const wired = { ...machine, linkAddress: '127.0.0.1:4321' };
export const viewer = aViewer();
export const player = (n: number, name: string): PlayerRow => aPlayer({ id: id(n), name });
export const document: RungDocument = { ...rungDocument(id(1), id(2)), ballsPerRound: 4, gate: { hits: 2, of: 4 }, rounds: 1 };

/** Two kinds of ball, one after the other, six balls. */
export const twoKinds: RungDocument = {
  ...document,
  ballsPerRound: 6,
  order: { kind: 'fixed' },
  feeds: [
    { ...document.feeds[0]!, id: 'w', name: 'Wide' },
    { ...document.feeds[0]!, id: 'b', name: 'Body' },
  ],
};

export const props = (part: Partial<CourtsideProps> = {}): CourtsideProps => ({
  viewer,
  rung: { id: id(5), ladderId: id(9), position: 0, document },
  number: 1,
  ladder: { id: id(9), name: 'Climb', sport: 'tennis', approach: 'earn-it' },
  next: { id: id(8), name: 'Deeper' },
  machine,
  second: null,
  courtName: 'Court 1',
  marksM: [],
  ceilingM: null,
  below: null,
  players: [player(10, 'Ines Rookwood'), player(11, 'Theo Larchmont')],
  playerId: id(10),
  mates: [],
  nextTurn: null,
  gameBalls: [],
  history: [],
  swingsToday: [],
  indoors: false,
  checks: firstChecklist(profile),
  verdict: null,
  half: false,
  ...part,
});

export function show(part: Partial<CourtsideProps> = {}, answer?: Parameters<typeof aPage>[0]) {
  const page = aPage(answer);
  const { container } = render(
    <>
      <Courtside {...props(part)} />
      <Toasts theme="chalk" />
    </>,
  );
  return { ...page, container };
}

export const tally = (): string => screen.getAllByTestId('tally')[0]!.textContent!;
export const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });
/** A button once it can be pressed: none begins before it is known whether a round was left here. */
export async function ready(name: string | RegExp): Promise<HTMLButtonElement> {
  const found = button(name);
  await waitFor(() => {
    if (found.disabled) throw new Error(`“${found.textContent}” stays off.`);
  });
  return found;
}
export const results = (asked: readonly Asked[]): unknown[] =>
  asked.filter(({ path, method }) => path.includes('/results/') && method === 'PUT').map(({ body }) => [body.seq, body.outcome]);

/** What a machine on a line says of itself. */
export const status = (state: string, part: object = {}) => ({
  event: 'status',
  state,
  why: '',
  hopper: 60,
  battery: 0.8,
  thrown: 0,
  count: 4,
  intervalS: document.intervalS,
  next: null,
  nextInS: null,
  ...part,
});
export const launch = { ...document.feeds[0]!.launch, speedMps: 17.3 };
/** What the streams of the page’s machines say, one after the other. */
export async function hear(...events: object[]): Promise<void> {
  await act(async () => {
    for (const stream of FakeStream.open) {
      stream.onopen?.();
      stream.hear({ event: 'link', up: true });
      for (const event of events) stream.hear(event);
    }
  });
}
export const commands = (asked: readonly Asked[]) =>
  asked.filter(({ path }) => path === `machines/${id(2)}/command`).map(({ body }) => body);
export const takes = ({ path }: Asked) => (path.endsWith('/command') ? { status: 200, body: { ok: true, state: 'x' } } : undefined);
