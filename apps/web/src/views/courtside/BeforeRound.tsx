import type { Checklist, RungDocument, Sport } from '@good-arc/core';
import type { GameBallRow, MachineRow, PlayerRow, RungRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { sayTrimmed } from '../../words/trims.ts';
import { Checks } from './Checks.tsx';
import { CourtUntil, FirstBall, ForToday, HalfTarget, MachinePart, SecretSpeeds } from './lateParts.tsx';
import { RoundFields } from './RoundFields.tsx';
import { SetUp } from './SetUp.tsx';
import type { useCourtTime } from './useCourtTime.ts';
import type { OnCourt } from './useOnCourt.ts';

/** What is done before the first ball: set it up, tick the list, say who hits and what the air is like. */
export function BeforeRound({
  onCourt,
  rung,
  sport,
  machine,
  onMachine,
  marksM,
  below,
  players,
  gameBalls,
  checks,
  mayEdit,
  indoors,
  courtTime,
}: {
  onCourt: OnCourt;
  rung: RungRow;
  sport: Sport;
  machine: MachineRow;
  onMachine: (machine: MachineRow) => void;
  marksM: readonly number[];
  below: RungDocument | null;
  players: readonly PlayerRow[];
  gameBalls: readonly GameBallRow[];
  checks: Checklist;
  mayEdit: boolean;
  indoors: boolean;
  courtTime: ReturnType<typeof useCourtTime>;
}) {
  const isFirst = onCourt.finished.length === 0;
  const { main, ahead } = onCourt;
  const { trim, today, target, secret } = ahead;
  return (
    <>
      {trim.isTrying ? (
        <FirstBall
          {...{ sport, machine, onMachine, gameBalls, trim }}
          rungId={rung.id}
          document={today.document}
          hasLine={onCourt.hasLine}
          into={onCourt.hasLine ? 'Arm for the round' : 'Begin the round'}
          onInto={() => {
            trim.setIsTrying(false);
            if (main?.key === 'a' && !main.off) main.act();
          }}
          onClose={() => trim.setIsTrying(false)}
        />
      ) : (
        <details className="mb-1" open={isFirst}>
          <summary className="flex min-h-12 cursor-pointer items-center font-semibold">Set it up</summary>
          <SetUp
            {...{ sport, machine, marksM, below }}
            document={target.of(trim.of(today.document))}
            trimmed={sayTrimmed(trim, machine.dials)}
            onClearTrim={trim.clear}
          />
          <Button size="l" className="mt-2" onClick={() => trim.setIsTrying(true)}>
            First ball by itself
          </Button>
        </details>
      )}
      <Checks checks={checks} part={isFirst ? 'before' : 'after'} mayEdit={mayEdit} />
      <RoundFields
        players={players}
        playerId={onCourt.playerId}
        onPlayer={onCourt.setPlayerId}
        hitters={onCourt.hitters}
        mates={onCourt.mates}
        onMates={onCourt.setMates}
        isCrowded={onCourt.isCrowded}
        weather={today.weather}
        onWeather={today.setWeather}
        indoors={indoors}
      />
      {onCourt.player && target.half && <HalfTarget target={target} rung={rung.document} name={onCourt.player.name} />}
      <SecretSpeeds secret={secret} machineName={machine.name} />
      {target.spoiled && <MachinePart target={target} sport={sport} />}
      <CourtUntil time={courtTime} />
      {today.solved.changes.length + today.solved.lost.length > 0 && <ForToday today={today} rung={rung.document} machine={machine} />}
    </>
  );
}
