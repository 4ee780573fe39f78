import type { LiveShown } from '../../api/live.ts';
import { sayStopped } from '../../words/live.ts';

/** Read from the other end of the court: the count and the seconds, and nothing of what comes. */
export function Far({ shown, inS }: { shown: LiveShown; inS: number | null }) {
  const { players, scores, thrown, of, streak, state, whose } = shown;
  const stopped = sayStopped(state);
  const alone = players.length === 1;
  return (
    <section
      aria-label="Far screen"
      className={`my-2 flex grow flex-col justify-center gap-[2vh] overflow-hidden text-center font-title font-bold ${stopped ? 'bg-error text-error-content' : ''}`}
    >
      {stopped && <p className="text-[min(26vw,38vh)] leading-none uppercase">{stopped}</p>}
      {alone && (
        <p
          className={`leading-none whitespace-nowrap ${stopped ? 'text-[min(12vw,18vh)]' : 'text-[min(30vw,46vh)]'}`}
          data-testid="far-score"
        >
          {scores[0]?.hits ?? 0}
          <span className="text-[0.47em]"> of {scores[0]?.balls ?? 0}</span>
        </p>
      )}
      {!stopped &&
        !alone &&
        players.map((name, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the place in the turns is its identity
          <p key={i} className={`text-[min(14vw,20vh)] leading-none whitespace-nowrap ${whose === name ? 'text-secondary' : ''}`}>
            <span className="inline-block max-w-[45vw] truncate align-bottom">{name.split(' ')[0]}</span> {scores[i]?.hits ?? 0}
            <span className="text-[min(8vw,12vh)]"> of {scores[i]?.balls ?? 0}</span>
          </p>
        ))}
      <div className="grid grid-cols-3 items-baseline gap-[2vw] text-[min(9vw,14vh)] leading-none whitespace-nowrap">
        <p>
          <Small>ball</Small> {Math.min(of, thrown + 1)}
          <span className="text-[0.6em]"> of {of}</span>
        </p>
        <p role="timer" aria-live="off" className="dial">
          {inS === null ? '–' : Math.ceil(inS)}
          <Small> s</Small>
        </p>
        <p>
          {streak} <Small>running</Small>
        </p>
      </div>
    </section>
  );
}

const Small = ({ children }: { children: React.ReactNode }) => <span className="text-[0.45em]">{children}</span>;
