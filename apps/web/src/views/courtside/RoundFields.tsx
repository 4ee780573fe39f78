import type { PlayerId, Weather } from '@good-arc/core';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';

/** Who hits, and out of doors the wind, before a round begins. */
export function RoundFields({
  players,
  playerId,
  onPlayer,
  hitters,
  mates,
  onMates,
  isCrowded,
  weather,
  onWeather,
  indoors,
}: {
  players: readonly { id: string; name: string }[];
  /** Empty until somebody is chosen. */
  playerId: PlayerId;
  onPlayer: (id: string) => void;
  /** How many hit in turn, and who besides the first. */
  hitters: number;
  mates: readonly PlayerId[];
  onMates: (ids: readonly PlayerId[]) => void;
  /** Somebody is missing among them, or named twice. */
  isCrowded: boolean;
  weather: Weather;
  onWeather: (weather: Weather) => void;
  /** In a hall nobody asks for the wind. */
  indoors: boolean;
}) {
  const wind = (label: string, key: 'windXMps' | 'windYMps') => (
    <QuantityField
      label={label}
      dimension="speed"
      step={0.5}
      min={-25}
      max={25}
      value={weather[key]}
      onChange={(mps) => onWeather({ ...weather, [key]: mps })}
    />
  );
  const choose = (label: string, value: PlayerId, onChange: (id: string) => void) => (
    <Select
      key={label}
      className={hitters > 1 ? '' : 'col-span-2 md:col-span-1'}
      label={label}
      value={value}
      onChange={onChange}
      options={[...(value === '' ? [['', 'Choose who hits'] as const] : []), ...players.map(({ id, name }) => [id, name] as const)]}
    />
  );
  const mateAt = (i: number): PlayerId => mates[i] ?? '';
  return (
    <div data-hitters className="mt-2 mb-3 grid scroll-mb-40 grid-cols-2 gap-3 md:grid-cols-3">
      {choose(hitters > 1 ? 'Hits first' : 'Who is hitting', playerId, onPlayer)}
      {Array.from({ length: hitters - 1 }, (_, i) =>
        choose(`Hits ${['second', 'third', 'fourth'][i]}`, mateAt(i), (id) =>
          onMates(Array.from({ length: hitters - 1 }, (_, k) => (k === i ? id : mateAt(k)))),
        ),
      )}
      {!indoors && wind('Wind to the right', 'windXMps')}
      {!indoors && wind('Wind to the far end', 'windYMps')}
      <QuantityField
        label="Air"
        dimension="temperature"
        step={1}
        min={-30}
        max={50}
        value={weather.temperatureC}
        onChange={(temperatureC) => onWeather({ ...weather, temperatureC })}
      />
      {!indoors && <WindArrow {...weather} />}
      {isCrowded && (
        <p className="col-span-full font-semibold">
          {hitters > 1
            ? `Choose ${hitters} players: each has a round of their own.`
            : 'Choose who is hitting: every ball belongs to somebody.'}
        </p>
      )}
    </div>
  );
}

/** Felt as wind from here on, m/s. */
const FELT_MPS = 0.3;

/** Which way the wind blows over the court, seen from the player: far end at the top. */
function WindArrow({ windXMps, windYMps }: Pick<Weather, 'windXMps' | 'windYMps'>) {
  const mps = Math.hypot(windXMps, windYMps);
  if (mps < FELT_MPS) return null;
  const turnDeg = (Math.atan2(windXMps, windYMps) * 180) / Math.PI;
  const long = 10 + Math.min(14, 2.4 * mps);
  return (
    <p className="flex items-center gap-3">
      <svg width="48" height="60" viewBox="0 0 48 60" aria-hidden="true" className="shrink-0">
        <rect x="6" y="2" width="36" height="56" fill="none" stroke="currentColor" strokeOpacity="0.5" />
        <line x1="2" x2="46" y1="30" y2="30" stroke="currentColor" strokeWidth="1.5" />
        <g transform={`rotate(${turnDeg} 24 30)`} stroke="var(--color-ball)" strokeWidth="3" fill="none">
          <line x1="24" x2="24" y1={30 + long} y2={30 - long} />
          <polyline points={`18,${38 - long} 24,${30 - long} 30,${38 - long}`} />
        </g>
      </svg>
      <span>as it blows, seen by the player</span>
    </p>
  );
}
