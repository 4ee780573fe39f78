import { ballById, type Outcome, printShare, scoreRound, tally } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { ListedRound, RoundRow } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { courtsideLink, roundLink } from '../../ui/links.ts';
import { Moment } from '../../ui/Moment.tsx';
import { OUTCOME_LOOK } from '../../ui/outcomeLook.ts';
import { RateBar } from '../../ui/RateBar.tsx';
import { outcomeNames } from '../../words/outcomes.ts';
import { RoundFacts } from './RoundFacts.tsx';

export function RoundLines({
  round,
  isOpen,
  onShow,
  onRemove,
}: {
  round: ListedRound;
  isOpen: boolean;
  onShow: () => void;
  onRemove: () => void;
}) {
  return (
    <>
      <tr className={`when-seen grid grid-cols-1 border-b border-base-300 py-2 md:table-row md:py-0 ${isOpen ? 'bg-base-200' : ''}`}>
        <td className="py-1 pr-4 whitespace-nowrap md:py-2.5">
          <Moment iso={round.startedAt} />
        </td>
        <td className="pr-4 font-medium md:max-w-56">{round.playerName}</td>
        <td className="pr-4">
          <button type="button" className="min-h-11 text-left" aria-expanded={isOpen} onClick={onShow}>
            <b className="underline decoration-base-300 underline-offset-4">{round.rungName}</b>{' '}
            <span className="text-quiet">
              {round.ladderName}
              {round.forLearning && ' · for learning'}
            </span>
            {!round.isFinished && <span className="ml-2 font-semibold text-ball-text">not finished</span>}
          </button>
        </td>
        <td className="py-1">
          <RateBar hits={round.hits} balls={round.balls} />
        </td>
      </tr>
      {isOpen && (
        <tr className="border-b border-base-content bg-base-200">
          <td colSpan={4} className="block px-3 pt-2 pb-5 md:table-cell">
            <OpenRound id={round.id} />
            <Button look="ghost" className="mt-2 px-2" onClick={onRemove}>
              Delete this round
            </Button>
          </td>
        </tr>
      )}
    </>
  );
}

/** All of a round, asked for when it is opened. */
function OpenRound({ id }: { id: string }) {
  const [round, setRound] = useState<RoundRow | null>(null);
  const [failed, setFailed] = useState('');
  useEffect(() => {
    let isOpen = true;
    api<RoundRow>('GET', `rounds/${id}`).then(
      (row) => isOpen && setRound(row),
      (error) => isOpen && setFailed(messageOf(error)),
    );
    return () => {
      isOpen = false;
    };
  }, [id]);
  if (failed !== '') return <p role="alert">{failed}</p>;
  return round ? <RoundDetail round={round} /> : <p className="min-h-40">Its balls …</p>;
}

/** A round in short: what became of it, and a way to the whole of it. */
function RoundDetail({ round }: { round: RoundRow }) {
  const { card, results } = round;
  const names = outcomeNames(ballById(card.ballId).sport, card);
  const { near, letGo } = tally(results.map(({ outcome }) => outcome));
  const { hits, balls } = scoreRound(card, results);
  const said = (outcome: Outcome, count: number): string => (count === 0 ? '' : ` · ${count} ${names[outcome].toLowerCase()}`);
  return (
    <div>
      <p className="text-lg">
        {balls > 0 ? <b>{`${hits} of ${balls}, ${printShare(hits / balls)}`}</b> : 'No ball counted'}
        {said('near', near)}
        {said('out', results.filter(({ outcome }) => outcome === 'out').length)}
        {said('let-go', letGo)}
        {balls > 0 && balls < 20 && <span className="text-quiet"> · {balls} balls say little: see the interval</span>}
      </p>
      <ol className="my-2 flex flex-wrap gap-1" aria-label="Balls">
        {results.map(({ id, seq, outcome }) => (
          <li
            key={id}
            className={`flex h-8 min-w-8 items-center justify-center rounded-full px-1 text-sm font-bold ${OUTCOME_LOOK[outcome]}`}
          >
            {seq}
            <span className="sr-only"> {names[outcome]}</span>
          </li>
        ))}
      </ol>
      <RoundFacts round={round} />
      {round.notes && <p className="mt-2 border-l-4 border-ball pl-3 break-words">{round.notes}</p>}
      <p className="mt-2 flex flex-wrap gap-x-6">
        <a className="inline-flex min-h-11 items-center font-semibold underline" href={roundLink(round.id)}>
          The whole round, and put it right
        </a>
        <a className="inline-flex min-h-11 items-center font-semibold underline" href={courtsideLink(round.rungId, round.playerId)}>
          Same again
        </a>
      </p>
    </div>
  );
}
