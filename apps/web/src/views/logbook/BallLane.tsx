import { type Feed, type FeedId, OUTCOMES, type Outcome, programOf, type RungDocument } from '@good-arc/core';
import { useState } from 'react';
import type { ResultRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { OUTCOME_LOOK } from '../../ui/outcomeLook.ts';
import { sayFeed } from '../../words/secret.ts';

/** Every ball of a round in its place; press one to put it right. */
export function BallLane({
  card,
  results,
  names,
  feedOf,
  onJudge,
}: {
  card: RungDocument;
  results: readonly ResultRow[];
  names: Record<Outcome, string>;
  feedOf: (result: { seq: number; feedId?: FeedId | null }) => Feed | undefined;
  onJudge: (seq: number, outcome: Outcome | null) => Promise<void>;
}) {
  const [chosen, setChosen] = useState<number | null>(null);
  const many = Math.max(programOf(card).length, ...results.map(({ seq }) => seq));
  const balls = Array.from(
    { length: many },
    (_, i) => results.find(({ seq }) => seq === i + 1) ?? { seq: i + 1, outcome: null, feedId: null },
  );
  const ball = balls.find(({ seq }) => seq === chosen);
  const isMixed = card.feeds.filter(({ on }) => on).length > 1;
  // of a ball that is still to come nobody is told how it comes
  const kindOf = (each: (typeof balls)[number]): string =>
    each.outcome === null ? (feedOf(each)?.name ?? '') : sayFeed(card, feedOf(each));
  const said = (outcome: Outcome | null): string => (outcome === null ? 'not thrown' : names[outcome].toLowerCase());
  return (
    <section className="mt-5" aria-label="Ball by ball">
      <h2 className="text-xl">Ball by ball</h2>
      <ol className="mt-2 flex flex-wrap gap-x-1.5 gap-y-2">
        {balls.map((each) => (
          <li key={each.seq}>
            <button
              type="button"
              aria-pressed={chosen === each.seq}
              aria-label={`Ball ${each.seq}${isMixed ? `, ${kindOf(each)}` : ''}: ${said(each.outcome)}`}
              onClick={() => setChosen(chosen === each.seq ? null : each.seq)}
              className={`flex size-12 items-center justify-center rounded-full text-lg font-bold aria-pressed:outline-3 aria-pressed:outline-offset-2 aria-pressed:outline-ball ${each.outcome === null ? 'border border-dashed border-base-content/60 text-quiet' : OUTCOME_LOOK[each.outcome]}`}
            >
              {each.seq}
            </button>
          </li>
        ))}
      </ol>
      {ball ? (
        <div className="no-print mt-3 flex flex-wrap items-center gap-2 bg-base-200 p-3" role="group" aria-label={`Ball ${ball.seq} was`}>
          <b className="basis-full sm:basis-auto">
            Ball {ball.seq}
            {isMixed && ` · ${kindOf(ball)}`}:
          </b>
          {OUTCOMES.map((outcome) => (
            <Button
              key={outcome}
              size="l"
              look={ball.outcome === outcome ? 'primary' : 'outline'}
              onClick={() => void onJudge(ball.seq, outcome)}
            >
              {names[outcome]}
            </Button>
          ))}
          <Button size="l" look={ball.outcome === null ? 'primary' : 'outline'} onClick={() => void onJudge(ball.seq, null)}>
            Never thrown
          </Button>
        </div>
      ) : (
        <p className="no-print mt-2 text-quiet">
          {OUTCOMES.filter((outcome) => results.some((each) => each.outcome === outcome))
            .map((outcome) => `${results.filter((each) => each.outcome === outcome).length} ${names[outcome].toLowerCase()}`)
            .join(' · ')}
          {results.length > 0 && '. '}Press a ball to put it right.
        </p>
      )}
    </section>
  );
}
