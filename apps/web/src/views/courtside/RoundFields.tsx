import type { PlayerId, Weather } from '@good-arc/core';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';

/** Who hits, and out of doors the wind, before a round begins. */
export function RoundFields({
  players,
  playerId,
  onPlayer,
  weather,
  onWeather,
  indoors,
}: {
  players: readonly { id: string; name: string }[];
  /** Empty until somebody is chosen. */
  playerId: PlayerId;
  onPlayer: (id: string) => void;
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
  return (
    <div className="mt-2 mb-3 grid grid-cols-2 gap-3 md:grid-cols-3">
      <Select
        className="col-span-2 md:col-span-1"
        label="Who is hitting"
        value={playerId}
        onChange={onPlayer}
        options={[...(playerId === '' ? [['', 'Choose who hits'] as const] : []), ...players.map(({ id, name }) => [id, name] as const)]}
      />
      {!indoors && wind('Wind to the right', 'windXMps')}
      {!indoors && wind('Wind to the far end', 'windYMps')}
      {playerId === '' && <p className="col-span-full font-semibold">Choose who is hitting: every ball belongs to somebody.</p>}
    </div>
  );
}
