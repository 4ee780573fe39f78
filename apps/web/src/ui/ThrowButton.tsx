import { Button } from './Button.tsx';
import { ConfirmByName } from './ConfirmByName.tsx';
import type { useTestBalls } from './useTestBalls.ts';

/** Throws test balls; while the machine moves it is the hold button, the largest thing in reach. */
export function ThrowButton({ line, count, name }: { line: ReturnType<typeof useTestBalls>; count: number; name: string }) {
  if (!line.hasLine) return null;
  if (line.busy)
    return (
      <button
        type="button"
        className="col-span-2 min-h-20 w-full bg-error font-title text-4xl font-bold text-error-content"
        onClick={line.hold}
      >
        Hold
      </button>
    );
  if (line.asksName)
    return (
      <ConfirmByName
        what={line.asksName}
        doThis="Helmet on, screen in place, nobody where the ball goes who is not meant to be. Nothing is thrown before somebody answers for it."
        onConfirm={line.confirm}
      />
    );
  return (
    <Button look="secondary" size="xl" className="col-span-2 w-full" disabled={!line.linkUp} onClick={() => line.throwBalls(count)}>
      {line.linkUp ? name : 'The machine does not answer'}
    </Button>
  );
}
