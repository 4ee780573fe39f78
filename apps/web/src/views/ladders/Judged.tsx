import { type JudgedRung, printTime, type RungDocument, upToHalfS } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { ComfortMark } from '../../ui/ComfortMark.tsx';
import { DemandParts } from '../../ui/DemandBar.tsx';
import { FeedShape } from '../../ui/FeedShape.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayWorry } from '../../words/machine-worries.ts';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What the time of a rung is, ball by ball, with the sum behind each word. */
export function TimeBudget({ document, judged }: { document: RungDocument; judged: JudgedRung }) {
  const hitting = document.feeds.some(({ stroke, target }) => stroke === 'swing' && target.kind === 'plane');
  // one line for each feed: its worst ball
  const worst = document.feeds.flatMap((feed, index) => {
    const balls = judged.balls.filter((ball) => ball.feed === index);
    if (balls.length === 0) return [];
    return [{ feed, index, ball: balls.reduce((a, b) => (b.ease < a.ease ? b : a)) }];
  });
  return (
    <table className="w-full text-sm">
      <caption className="sr-only">Time of each ball</caption>
      <thead>
        <tr className="text-left text-quiet">
          <th className="py-1 font-medium">Ball</th>
          <th className="font-medium">
            {hitting ? 'To the plate, of the game’s' : 'For it, needed'}{' '}
            <SourceMark
              about="the time that is needed"
              source={
                hitting
                  ? 'The time of this age’s own fastball, solved with drag: common practice, no source.'
                  : 'Seeing and preparing by level; what is there counts from when the player is ready, less the run: common practice, no source.'
              }
            />
          </th>
          <th className="font-medium">
            Spare before the next{' '}
            <SourceMark
              about="the spare time"
              source={
                hitting
                  ? 'The interval less the 5 s that a hitter takes to reset, breathe and look: common practice, no source.'
                  : 'The interval less flight, follow-through, the way home at the level’s court speed and a split step of 0.25 s: common practice, no source.'
              }
            />
          </th>
          <th className="font-medium">Word</th>
        </tr>
      </thead>
      <tbody>
        {worst.map(({ feed, index, ball }) => (
          <tr key={index} className="border-t border-base-300 align-top">
            <td className="py-1 pr-2">
              <span className="inline-flex items-center gap-1.5">
                <FeedShape index={index} size={12} /> <span className="break-words">{feed.name}</span>
              </span>
            </td>
            <td className="dial pr-2">
              {ball.availableS.toFixed(2)} s of {ball.needS.toFixed(2)}
            </td>
            <td className="dial pr-2">{ball.spareS < 0 ? `${(-ball.spareS).toFixed(1)} s short` : `${ball.spareS.toFixed(1)} s`}</td>
            <td>
              <ComfortMark comfort={ball.comfort} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Shortest workable and calm intervals, each one tap away. */
export function IntervalChoices({
  document,
  judged,
  onChoose,
}: {
  document: RungDocument;
  judged: JudgedRung;
  onChoose: (intervalS: number) => void;
}) {
  if (document.feeds.every(({ on, thenS }) => !on || thenS !== undefined)) return null;
  const { shortestIntervalS, calmIntervalS } = judged;
  const choices: [string, number][] = [
    ...(shortestIntervalS === null ? [] : [['Shortest workable', upToHalfS(shortestIntervalS)] as [string, number]]),
    ...(calmIntervalS === null ? [] : [['Calm', upToHalfS(calmIntervalS)] as [string, number]]),
  ];
  if (choices.length === 0) return <p>A ball of it is too quick by itself: no interval makes this workable.</p>;
  return (
    <div className="flex flex-wrap gap-2">
      {choices.map(([name, seconds]) => (
        <Button key={name} disabled={Math.abs(seconds - document.intervalS) < 0.01} onClick={() => onChoose(seconds)}>
          {name}: {printTime(seconds, 1)}
        </Button>
      ))}
    </div>
  );
}

/** What arrives, as a share of the game ball. */
export function GameShare({ share }: { share: JudgedRung['share'] }) {
  if (!share) return <p className="text-sm text-quiet">No game ball to compare with: choose one on the bench.</p>;
  const rows = [
    ['Time to react', share.timeS],
    ['Speed', share.speedMps],
    ['Spin', share.topspinRpm],
    ['Height', share.heightM],
  ] as const;
  return (
    <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 gap-y-1 text-sm" aria-label="Share of the game ball">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt>{name}</dt>
          <dd className="relative h-2 bg-base-300" aria-hidden="true">
            {value !== null && <div className="h-full bg-arrive" style={{ width: `${Math.min(100, Math.max(0, value * 66.7))}%` }} />}
            <div className="absolute top-[-3px] bottom-[-3px] w-0.5 bg-base-content" style={{ left: '66.7%' }} />
          </dd>
          <dd className="dial text-right">{value === null ? 'none' : percent(value)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What the machine and the basket need for a rung. */
export function MachineNeeds({ judged }: { judged: JudgedRung }) {
  return (
    <ul className="text-sm">
      {judged.machine.worries.map((worry) => (
        <li key={worry.code} className="mt-1 border-l-4 border-warning pl-2.5">
          {sayWorry(worry)}
        </li>
      ))}
    </ul>
  );
}

/** Parts of the demand beside the share of the game. */
export function DemandAndShare({ judged }: { judged: JudgedRung }) {
  const units = useUnits();
  const metres = judged.balls.reduce((sum, { pathM }) => sum + pathM, 0) / judged.balls.length;
  return (
    <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
      <div>
        <h4 className="mb-1 font-semibold">Demand {Math.round(judged.demand.total)} of 100</h4>
        <DemandParts demand={judged.demand} />
        {metres > 0.3 && <p className="mt-1 text-sm text-quiet">{units.length(metres)} to run for each ball</p>}
      </div>
      <div>
        <h4 className="mb-1 font-semibold">Of the game ball</h4>
        <GameShare share={judged.share} />
        <p className="mt-1 text-sm text-quiet">the upright line is the game</p>
      </div>
    </div>
  );
}
