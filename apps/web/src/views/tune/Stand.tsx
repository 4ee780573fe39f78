import { BALLS, diamondOf, SPORT_RECORDS, type Sport, type TuneUp } from '@good-arc/core';
import type { Kit } from '../../api/rows.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';

interface Props {
  kit: Kit;
  sports: readonly Sport[];
  tuneUp: TuneUp;
  onChange: (part: Partial<TuneUp>) => void;
}

/** Where the machine stands, on what day, with which balls: what a speed is worked out from. */
export function Stand({ kit, sports, tuneUp, onChange }: Props) {
  const { from, weather } = tuneUp;
  const courts = kit.courts.filter(({ sport }) => sports.includes(sport));
  const { sport } = courts.find(({ id }) => id === tuneUp.courtId) ?? courts[0]!;
  const stock = kit.balls.filter(({ ballId }) => BALLS.find(({ id }) => id === ballId)?.sport === sport);
  const kinds = BALLS.filter((ball) => ball.sport === sport);
  return (
    <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
      <Select
        label="Court"
        value={tuneUp.courtId}
        onChange={(courtId) => {
          const court = courts.find(({ id }) => id === courtId)!;
          const same = court.sport === sport;
          onChange({
            courtId,
            surfaceId: court.surfaceId,
            ...(!same && {
              ballId: BALLS.find((ball) => ball.sport === court.sport)!.id,
              ballStockId: null,
              from: { ...SPORT_RECORDS[court.sport].court.machine, z: from.z },
            }),
          });
        }}
        options={courts.map(({ id, name }) => [id, name] as const)}
      />
      <Select
        label="Balls"
        value={tuneUp.ballStockId ?? tuneUp.ballId}
        onChange={(id) => {
          const basket = stock.find((each) => each.id === id);
          onChange({ ballStockId: basket?.id ?? null, ballId: basket?.ballId ?? id });
        }}
        options={[...stock.map(({ id, name }) => [id, name] as const), ...kinds.map(({ id, name }) => [id, `${name}, any`] as const)]}
      />
      <QuantityField
        label={diamondOf(sport) ? 'From the plate tip' : 'Behind the net'}
        dimension="length"
        min={0.5}
        max={40}
        step={0.25}
        value={from.y}
        onChange={(y) => onChange({ from: { ...from, y } })}
      />
      <QuantityField
        label="Right of the middle"
        dimension="length"
        min={-15}
        max={15}
        step={0.25}
        value={from.x}
        onChange={(x) => onChange({ from: { ...from, x } })}
        hint="seen from the near end"
      />
      <QuantityField
        label="Ball leaves at"
        dimension="length"
        min={0.05}
        max={4}
        step={0.05}
        value={from.z}
        onChange={(z) => onChange({ from: { ...from, z } })}
      />
      <QuantityField
        label="Elevation"
        dimension="angle"
        min={-30}
        max={89}
        step={1}
        value={tuneUp.elevationDeg}
        onChange={(elevationDeg) => onChange({ elevationDeg })}
      />
      <Select
        label="How that is known"
        value={tuneUp.elevationKnown}
        onChange={(elevationKnown) => onChange({ elevationKnown })}
        options={[
          ['level', 'by a level or phone, ± 0.2°'],
          ['scale', 'off its scale, ± 0.8°'],
          ['eye', 'by eye, ± 2°'],
        ]}
      />
      <QuantityField
        label="Turned to its right"
        dimension="angle"
        min={-60}
        max={60}
        step={1}
        value={tuneUp.bearingDeg - 180}
        onChange={(turn) => onChange({ bearingDeg: 180 + turn })}
      />
      <QuantityField
        label="Temperature"
        dimension="temperature"
        min={-30}
        max={55}
        step={1}
        value={weather.temperatureC}
        onChange={(temperatureC) => onChange({ weather: { ...weather, temperatureC } })}
      />
      <QuantityField
        label="Wind to the far end"
        dimension="speed"
        min={-25}
        max={25}
        step={0.5}
        value={weather.windYMps}
        onChange={(windYMps) => onChange({ weather: { ...weather, windYMps } })}
      />
      <Select
        label="Battery"
        value={tuneUp.battery}
        onChange={(battery) => onChange({ battery })}
        options={[
          ['full', 'full'],
          ['half', 'half'],
          ['low', 'low'],
          ['mains', 'mains, none'],
        ]}
      />
      <label className="flex min-h-11 items-center gap-3 self-end">
        <input
          type="checkbox"
          className="checkbox"
          checked={tuneUp.fitDrag}
          onChange={(event) => onChange({ fitDrag: event.target.checked })}
        />
        Find these balls’ drag, too
      </label>
    </div>
  );
}
