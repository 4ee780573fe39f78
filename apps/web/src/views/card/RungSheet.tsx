import type { ReactNode } from 'react';
import { Qr } from '../../ui/Qr.tsx';
import { CardPlan } from './Plan.tsx';
import type { RungSheetWords } from './sheets.ts';

/** A rung on a sheet of its own, as large on a phone as on paper. */
export function RungSheet({ words, under }: { words: RungSheetWords; under: string }) {
  const { number, name, focalPoint, document, sport, feeds, cautions } = words;
  return (
    <article className="rung-sheet bg-base-100 text-base-content">
      <h2 className="text-[1.8em] leading-tight break-words">
        {number} · {name}
      </h2>
      <p>{under}</p>
      {focalPoint && <p className="mt-[0.3em] text-[1.25em] font-semibold">{focalPoint}</p>}
      <div className="my-[0.6em]">
        <CardPlan rung={document} sport={sport} />
      </div>
      <dl className="border-t-[1.5px] border-current">
        <Line name="Machine">
          {words.stand}
          {words.stoodAt && <b className="block">It moves: on the rung below it stood {words.stoodAt}.</b>}
        </Line>
        {feeds.length === 0 ? (
          <Line name="Dials">
            <b className="dial text-[1.25em]">{words.dials}</b>
          </Line>
        ) : (
          feeds.map((feed) => (
            <Line key={feed.name} name={`Ball ${feed.name}`}>
              <b className="dial">{feed.dials}</b>, turn {feed.turn}
            </Line>
          ))
        )}
        <Line name="Elevation">
          <b className="dial text-[1.25em]">{words.elevation}</b>
        </Line>
        <Line name="Point it">{words.aim}</Line>
        <Line name="Arrives">{words.arrives}</Line>
        <Line name="Feed">{words.feed}</Line>
        {words.player && <Line name="Player">{words.player}</Line>}
        {words.recover && <Line name="Recover">{words.recover}</Line>}
        {words.cones && <Line name="Cones">{words.cones}</Line>}
        <Line name="Target">{words.target}</Line>
        <Line name="Balls">
          {words.balls}; climb at {words.gate}
        </Line>
      </dl>
      <div className="mt-[0.8em] flex flex-wrap items-start gap-[1em]">
        <Qr text={words.link} label="QR code that holds this rung" className="w-[46mm] shrink-0" />
        <div className="min-w-0 grow basis-[12em]">
          <p className="font-semibold">Take care</p>
          <ul>
            {words.safety && <li className="font-bold">{words.safety}</li>}
            {cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
          <p className="mt-[0.4em] text-[0.9em]">
            The code holds this rung itself: any Good Arc reads it and solves it for its own machine.
          </p>
        </div>
      </div>
    </article>
  );
}

/** What is looked at before the first ball and after the last, once for all rungs. */
export const ChecksSheet = ({ before, after }: { before: readonly string[]; after: readonly string[] }) => (
  <article className="rung-sheet">
    {(
      [
        ['Before the first ball', before],
        ['After the last', after],
      ] as const
    ).map(([title, items]) => (
      <section key={title} className="mb-[0.8em]">
        <h2 className="text-[1.4em]">{title}</h2>
        <ul>
          {items.map((item) => (
            <li key={item} className="border-b border-current py-[0.25em]">
              ☐ {item}
            </li>
          ))}
        </ul>
      </section>
    ))}
  </article>
);

const Line = ({ name, children }: { name: string; children: ReactNode }) => (
  <div className="grid grid-cols-[5.6em_minmax(0,1fr)] gap-x-[0.8em] border-b border-current py-[0.25em]">
    <dt className="break-words">{name}</dt>
    <dd className="min-w-0 break-words">{children}</dd>
  </div>
);
