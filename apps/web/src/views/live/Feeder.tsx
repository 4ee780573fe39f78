import type { LiveShown } from '../../api/live.ts';
import { PHASE_WORDS, phaseOf, sayStopped } from '../../words/live.ts';

/** For who feeds a machine: every feeder shows and lowers the ball in the same rhythm; one puts it in, and the hitter cannot know which. */
export function Feeder({ shown, inS, machine }: { shown: LiveShown; inS: number | null; machine: 0 | 1 }) {
  const { machines, coming, kinds, thrown, of, state } = shown;
  const [next] = coming;
  const isMine = next !== undefined && (machines.length === 1 || next.machine === machine);
  const phase = phaseOf(inS, isMine);
  const stopped = sayStopped(state);
  const kind = kinds.find(({ index }) => index === next?.index)?.name;
  return (
    <section
      aria-label="Feeder"
      className={`my-2 flex grow flex-col justify-center gap-4 px-2 text-center ${stopped ? 'bg-error text-error-content' : phase === 'in' ? 'bg-ball text-accent-content' : ''}`}
    >
      <p className="text-2xl font-semibold break-words">
        {machines[machine]?.name ?? machines[0]!.name} · ball {Math.min(of, thrown + 1)} of {of}
      </p>
      <p className="font-title text-[min(24vw,34vh)] leading-none font-bold" data-testid="feeder-phase" role="status">
        {stopped ?? PHASE_WORDS[phase]}
      </p>
      <p className="text-3xl font-semibold break-words" data-testid="feeder-turn">
        {!next
          ? 'That was the last ball'
          : isMine
            ? `Yours is next: ${kind}`
            : 'The other machine is next: show and lower yours all the same'}
      </p>
    </section>
  );
}
