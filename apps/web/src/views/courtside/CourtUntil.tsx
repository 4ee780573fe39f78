import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import type { useCourtTime } from './useCourtTime.ts';

const focus = (field: HTMLInputElement | null): void => field?.focus();

/** Until when the court is ours; a field for it once it is asked for, since a browser takes longer to make one than all else of the page. */
export function CourtUntil({ time }: { time: ReturnType<typeof useCourtTime> }) {
  const [isAsked, setIsAsked] = useState(false);
  const said = 'The court is ours until';
  return (
    <div className="mb-2 flex min-h-11 flex-wrap items-center gap-x-3">
      {isAsked ? (
        <label className="contents">
          <span className="text-quiet">{said}</span>
          <input
            ref={focus}
            type="time"
            className="input h-11 w-32 border-base-content/60 bg-base-100 text-base"
            value={time.until}
            onChange={({ target }) => time.set(target.value)}
          />
        </label>
      ) : (
        <Button size="l" onClick={() => setIsAsked(true)}>
          {time.until ? `${said} ${time.until} · change` : 'Until when is the court ours?'}
        </Button>
      )}
    </div>
  );
}
