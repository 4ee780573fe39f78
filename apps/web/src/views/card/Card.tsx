import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { Qr } from '../../ui/Qr.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { type CardFacts, describeCard } from './describe.ts';
import { CARD_WIDTH, CardPlan } from './Plan.tsx';

/** One page that rebuilds a ladder in a minute. @param address that opens it */
export function SetupCard({ address, ...facts }: CardFacts & { address: string }) {
  const words = describeCard(facts, useUnits());
  const { document } = facts.ladder.rungs[0]!;
  const { sport } = facts.ladder;
  return (
    <article className="setup-card bg-base-100 text-base-content">
      <header className="flex items-start justify-between gap-4">
        <div className="min-w-0">
          <h2 className="text-[1.9em] leading-tight break-words">{words.title}</h2>
          <p>{words.under}</p>
        </div>
        <Qr text={address} className="w-[5.6em] shrink-0" />
      </header>
      <div className="my-[0.5em]">
        <CardPlan rung={document} sport={sport} />
        {/* the side view on the same length axis: the plan is drawn as wide */}
        <div className="card-profile">
          <ArcThumb document={document} sport={sport} width={CARD_WIDTH} height={84} />
        </div>
      </div>
      <p>
        {words.places.map(([what, where]) => (
          <span key={what}>
            <b>{what}</b> {where}{' '}
          </span>
        ))}
      </p>
      <div className="my-[0.5em] grid grid-cols-4 gap-[0.5em]">
        {words.boxes.map(({ name, value, under }) => (
          <div key={name} className="border-[1.5px] border-current px-[0.7em] py-[0.3em]">
            <p className="text-[0.85em]">{name}</p>
            <p className="dial text-[1.55em] leading-tight font-semibold">{value}</p>
            <p className="text-[0.85em]">{under}</p>
          </div>
        ))}
      </div>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b-[1.5px] border-current text-[0.85em]">
            <th className="w-[1.8em] py-1">
              <span className="sr-only">Rung</span>
            </th>
            <th>rung</th>
            <th>dials</th>
            <th className="pr-2">turn · every</th>
            <th className="pr-2">balls</th>
            <th>climb at</th>
          </tr>
        </thead>
        <tbody>
          {words.rows.map(({ number, name, focalPoint, dials, turn, every, balls, gate, feeds }) => (
            <tr key={number} className="border-b border-current align-top">
              <td className="py-1 font-title text-[1.15em] font-bold">{number}</td>
              <td className="pr-2">
                {name}
                {focalPoint && <span className="block text-[0.85em]">{focalPoint}</span>}
              </td>
              <td className="dial pr-2">
                {feeds.length === 0
                  ? dials
                  : feeds.map((feed) => (
                      <span key={feed.name} className="block">
                        <span className="font-sans text-[0.85em]">{feed.name}</span> {feed.dials} · {feed.turn}
                      </span>
                    ))}
              </td>
              <td className="dial pr-2 whitespace-nowrap">{feeds.length === 0 ? `${turn} · ${every}` : every}</td>
              <td className="pr-2 whitespace-nowrap">{balls}</td>
              <td className="whitespace-nowrap">{gate}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="card-notes mt-[0.5em] grid grid-cols-2 gap-[1em]">
        <div className="card-checks">
          <Ticks title="Before" items={words.before} />
          <Ticks title="After" items={words.after} />
        </div>
        <div>
          <p className="font-semibold">Take care</p>
          <p>
            {words.safety && <b>{words.safety} </b>}
            {words.care}
          </p>
        </div>
      </div>
      <p className="mt-[0.5em] border-t-[1.5px] border-current pt-1">
        Wind ______ Ball age ______ Scores:{' '}
        {words.scores.map((score) => (
          <span key={score} className="mr-2 whitespace-nowrap">
            {score}
          </span>
        ))}
      </p>
    </article>
  );
}

const Ticks = ({ title, items }: { title: string; items: readonly string[] }) => (
  <>
    <p className="font-semibold">{title}</p>
    <p>
      {items.map((item) => (
        <span key={item} className="mr-2 inline-block">
          ☐ {item}
        </span>
      ))}
    </p>
  </>
);
