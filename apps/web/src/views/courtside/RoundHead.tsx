import { Notices } from './Notices.tsx';
import { RoundNotices } from './RoundNotices.tsx';
import { RungHead } from './RungHead.tsx';
import type { CourtsideProps, OnCourt } from './useOnCourt.ts';

/** Which rung it is, of whom and on which machine, and what stands above all else. */
export function RoundHead({
  page: { rung, number, courtName, ladder, machine, players },
  onCourt,
  goesDark,
}: {
  page: CourtsideProps;
  onCourt: OnCourt;
  /** This browser lets the screen go dark in a round. */
  goesDark: boolean;
}) {
  const { document, run, thrown, names, everyS, hasLine, crew } = onCourt;
  return (
    <>
      <RungHead
        {...{ document, number, courtName, machine, sport: ladder.sport, player: onCourt.player }}
        playerName={onCourt.player ? names.join(', ') : ''}
        thrown={run ? thrown : null}
      />
      <Notices machineName={machine.name} hasLine={hasLine} view={crew.view} byHand={onCourt.byHand} onByHand={onCourt.setByHand} />
      {goesDark && <p className="mt-1 text-quiet">This browser lets the screen go dark in a round: set a longer time on the phone.</p>}
      <RoundNotices
        run={run}
        rungId={rung.id}
        document={document}
        kept={rung.document}
        everyS={everyS}
        thrownEveryS={onCourt.isArmed ? (crew.view.status?.intervalS ?? null) : null}
        isAnotherBall={onCourt.isAnotherBall}
        others={onCourt.others}
        isHeld={onCourt.state === 'held'}
        players={players}
      />
    </>
  );
}
