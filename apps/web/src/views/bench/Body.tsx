import { bodyBands, contactBand, contactOf, diamondOf, heightOf } from '@good-arc/core';
import { Handle } from '../../ui/Handle.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { meetingOf } from './meeting.ts';
import type { Worked } from './useBench.ts';

const NAMED = ['knees', 'waist', 'shoulders'];

/** The band in which the level should meet the ball; null for a pitch and for fielders. */
function bandOf({ setup, arrangement, field }: Worked): readonly [number, number] | null {
  if (diamondOf(setup.sport) || field) return null;
  const contact = contactOf(arrangement.stroke, setup.contact);
  return contact && contactBand(contact, setup.level, setup.batterHeightM);
}

/** The player from the side, with the band in which the level should meet the ball. */
export function Body({ now, x, up }: { now: Worked; x: number; up: (z: number) => number }) {
  const tall = heightOf(now.setup.sport, now.setup);
  const band = bandOf(now);
  const perM = up(0) - up(1);
  const wide = 0.4 * perM;
  return (
    <g aria-hidden="true">
      {band && (
        <rect x={x - wide} y={up(band[1])} width={2 * wide} height={up(band[0]) - up(band[1])} fill="var(--color-arrive)" opacity={0.28} />
      )}
      <g stroke="var(--color-arrive)" strokeWidth={Math.max(2, perM * 0.05)} fill="none" strokeLinecap="round" strokeLinejoin="round">
        <circle cx={x} cy={up(tall * 0.93)} r={0.1 * perM} />
        <path
          d={`M ${x} ${up(tall * 0.86)} L ${x} ${up(tall * 0.5)} L ${x - 0.14 * perM} ${up(0)} M ${x} ${up(tall * 0.5)} L ${x + 0.14 * perM} ${up(0)}`}
        />
        <path d={`M ${x} ${up(tall * 0.8)} l ${0.2 * perM} ${0.3 * perM}`} />
      </g>
    </g>
  );
}

const TALL_M = 2.3;
const HEIGHT_PX = 190;

/** Where the ball meets the body, large enough for a thumb: drag the ball up or down the player, and the feed is solved anew. */
export function BodyPicture({ now, onMeet, onDone }: { now: Worked; onMeet: (heightM: number) => void; onDone: () => void }) {
  const units = useUnits();
  const [box, width] = useWidth(320);
  const band = bandOf(now);
  const arrival = now.arrangement.thrown?.arrival;
  const meeting = meetingOf(now);
  if (!band || !arrival) return null;
  const perM = (HEIGHT_PX - 12) / TALL_M;
  const up = (z: number): number => HEIGHT_PX - 8 - z * perM;
  const x = width * 0.5;
  const tall = heightOf(now.setup.sport, now.setup);
  const game = now.arrangement.game?.arrival;
  const ballY = Math.max(10, up(arrival.heightM));
  return (
    <div ref={box} className="w-full">
      <svg width={width} height={HEIGHT_PX} className="block select-none" role="group" aria-label="Where the ball meets the body">
        <line x1={0} x2={width} y1={up(0)} y2={up(0)} stroke="currentColor" strokeWidth={2} />
        <Body now={now} x={x} up={up} />
        {bodyBands(tall)
          .filter(({ part }) => NAMED.includes(part))
          .map(({ part, toM }) => (
            <text key={part} x={x - 0.5 * perM} y={up(toM) + 5} textAnchor="end" className="fill-current text-sm">
              {part}
            </text>
          ))}
        {band.map((edge) => (
          <text key={edge} x={x + 0.46 * perM} y={up(edge) + (edge === band[0] ? 14 : -4)} className="fill-current text-sm">
            {units.length(edge)}
          </text>
        ))}
        {game && (
          <circle
            cx={x + 0.32 * perM}
            cy={up(game.heightM)}
            r={5}
            fill="none"
            stroke="currentColor"
            strokeWidth={2}
            strokeDasharray="3 2"
          />
        )}
        <line
          x1={x + 0.5 * perM}
          x2={width - 64}
          y1={ballY}
          y2={ballY}
          stroke="var(--color-ball)"
          strokeWidth={1.5}
          strokeDasharray="2 4"
        />
        <text x={width - 4} y={ballY + 5} textAnchor="end" className="fill-current font-bold">
          {units.length(arrival.heightM)}
        </text>
        {meeting ? (
          <Handle
            px={x + 0.32 * perM}
            py={ballY}
            name="Where the ball meets the body"
            says={units.length(arrival.heightM)}
            onDone={onDone}
            onDrag={(_px, py) => onMeet((up(0) - py) / perM)}
            onNudge={(_right, down) => onMeet(arrival.heightM - down)}
          >
            <circle cx={x + 0.32 * perM} cy={ballY} r={9} fill="var(--color-ball)" stroke="var(--color-base-100)" strokeWidth={3} />
          </Handle>
        ) : (
          <circle cx={x + 0.32 * perM} cy={ballY} r={9} fill="var(--color-ball)" />
        )}
      </svg>
      <p className="text-sm text-quiet">
        {meeting ? 'Drag the ball up or down the body; where it lands follows.' : 'This machine has fixed settings: move it or the player.'}
        {game && ' The ring is the game ball.'}
      </p>
    </div>
  );
}
