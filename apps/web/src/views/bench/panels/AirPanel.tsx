import { ALTITUDE_M, airEffect } from '@good-arc/core';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import type { BenchState } from '../useBench.ts';

/** Today’s air and wind, and what they do to this very ball. */
export function AirPanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { setup, change, now } = bench;
  const { weather } = setup;
  const set = (part: Partial<typeof weather>): void => change({ weather: { ...weather, ...part } }, 'air');
  const { thrown } = now.arrangement;
  const effect = thrown && airEffect(setup, thrown.launch);
  const plane = setup.target.kind === 'plane';
  const said = (): string => {
    if (!effect) return 'Solve a feed to see what the air does to it.';
    const { fartherM, rightM, laterS, densityKgM3, usualDensityKgM3 } = effect;
    const thin = Math.round(100 * (densityKgM3 / usualDensityKgM3 - 1));
    const how = thin < -1 ? 'Hot and high: ' : thin > 1 ? 'Cold and dense: ' : '';
    const depth =
      Math.abs(fartherM) < 0.02
        ? plane
          ? 'passes at the same height'
          : 'lands as deep'
        : `${plane ? 'passes' : 'lands'} ${units.length(Math.abs(fartherM))} ${fartherM > 0 ? (plane ? 'higher' : 'deeper') : plane ? 'lower' : 'shorter'}`;
    const side = Math.abs(rightM) < 0.02 ? '' : `, ${units.length(Math.abs(rightM))} to the ${rightM > 0 ? 'right' : 'left'} of its way`;
    const time = Math.abs(laterS) < 0.005 ? '' : `, ${Math.abs(laterS).toFixed(2)} s ${laterS > 0 ? 'later' : 'sooner'}`;
    return `${how}${how ? 'it ' : 'It '}${depth}${side}${time} than in still air of ${units.temperature(20)} at sea level. The air is ${thin === 0 ? 'as dense' : `${Math.abs(thin)} % ${thin < 0 ? 'thinner' : 'denser'}`}.`;
  };
  return (
    <div>
      <p className="mb-3 text-lg" aria-live="polite">
        {said()}
      </p>
      <div className="grid max-w-3xl grid-cols-2 gap-3 sm:grid-cols-4">
        <QuantityField
          label="Temperature"
          dimension="temperature"
          value={weather.temperatureC}
          step={1}
          min={-30}
          max={55}
          onChange={(temperatureC) => set({ temperatureC })}
        />
        {weather.pressureHpa === undefined ? (
          <QuantityField
            label="Altitude"
            dimension="length"
            value={weather.altitudeM}
            step={50}
            min={ALTITUDE_M[0]}
            max={ALTITUDE_M[1]}
            onChange={(altitudeM) => set({ altitudeM })}
          />
        ) : (
          <QuantityField
            label="Station pressure, hPa"
            dimension="count"
            value={Math.round(weather.pressureHpa)}
            step={1}
            min={500}
            max={1100}
            onChange={(pressureHpa) => set({ pressureHpa })}
          />
        )}
        <QuantityField
          label="Humidity, %"
          dimension="count"
          value={Math.round(100 * weather.relativeHumidity)}
          step={5}
          min={0}
          max={100}
          onChange={(percent) => set({ relativeHumidity: percent / 100 })}
        />
        <QuantityField
          label="Gusts (1 σ)"
          dimension="speed"
          value={weather.gustMps ?? 0}
          step={0.2}
          min={0}
          max={10}
          onChange={(gustMps) => set({ gustMps })}
          hint="for the chances"
        />
        <QuantityField
          label="Wind toward the far end"
          dimension="speed"
          value={weather.windYMps}
          step={0.5}
          min={-25}
          max={25}
          onChange={(windYMps) => set({ windYMps })}
          hint="minus: toward the near end"
        />
        <QuantityField
          label="Wind to the right"
          dimension="speed"
          value={weather.windXMps}
          step={0.5}
          min={-25}
          max={25}
          onChange={(windXMps) => set({ windXMps })}
          hint="looking from the near end"
        />
        <label className="col-span-2 flex min-h-11 items-center gap-2 self-center">
          <input
            type="checkbox"
            className="checkbox"
            checked={weather.pressureHpa !== undefined}
            onChange={(event) => {
              const { pressureHpa: _gone, ...rest } = weather;
              change({ weather: event.target.checked ? { ...rest, pressureHpa: 1013 } : rest });
            }}
          />
          I have the station pressure
        </label>
      </div>
      <p className="mt-2 text-sm text-quiet">The arrow in the corner of the plan is the wind: drag its tip.</p>
    </div>
  );
}
