import {
  armOf,
  diamondOf,
  firstGameBall,
  ftToM,
  mphToMps,
  mpsToMph,
  mToFt,
  type OwnGameBall,
  ownFrom,
  SPORTS,
  type Sport,
} from '@good-arc/core';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import type { GameBallRow } from '../../api/rows.ts';
import { gameBallBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { levelChoices, levelLabel } from '../../words/level.ts';
import { type FormProps, GRID, sportChoices, useKitForm } from './forms.tsx';

/** To begin with: the ball that ladders of the sport are built to. */
const first = (sport: Sport): OwnGameBall => ownFrom(firstGameBall(sport, 'Building', 'built'))!;

/** What a coach’s players really face, said as a person says it. */
export function GameBallForm({ row, save }: FormProps<GameBallRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof gameBallBody>>(
    gameBallBody,
    { name: row?.name ?? '', document: row?.document ?? first(SPORTS[0]), notes: row?.notes ?? '' },
    save,
    row,
  );
  const ball = form.watch('document') as OwnGameBall;
  const set = (next: OwnGameBall): void => form.setValue('document', next, { shouldDirty: true });
  const spin = (
    <QuantityField
      label="Topspin"
      dimension="spin"
      min={-8000}
      max={8000}
      step={100}
      value={ball.topspinRpm}
      onChange={(topspinRpm) => set({ ...ball, topspinRpm })}
      hint="minus is backspin"
    />
  );
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Select label="Sport" value={ball.sport} onChange={(sport) => set(first(sport as Sport))} options={sportChoices()} />
      <Select
        label={levelLabel(ball.sport)}
        value={ball.level}
        onChange={(level) => set({ ...ball, level })}
        options={levelChoices(ball.sport)}
      />
      {ball.kind === 'shaped' ? (
        <>
          <QuantityField
            label="Hit from behind the net"
            dimension="length"
            min={0.5}
            max={20}
            step={0.25}
            value={ball.from.y}
            onChange={(y) => set({ ...ball, from: { ...ball.from, y } })}
          />
          <QuantityField
            label="At height"
            dimension="length"
            min={0.05}
            max={4}
            step={0.05}
            value={ball.from.z}
            onChange={(z) => set({ ...ball, from: { ...ball.from, z } })}
          />
          <QuantityField
            label="Lands past the net"
            dimension="length"
            min={0.3}
            max={14}
            step={0.25}
            value={ball.landsPastM}
            onChange={(landsPastM) => set({ ...ball, landsPastM })}
          />
          <QuantityField
            label="Clears the net by"
            dimension="length"
            min={0.02}
            max={15}
            step={0.1}
            value={ball.clearsByM}
            onChange={(clearsByM) => set({ ...ball, clearsByM })}
          />
          {spin}
        </>
      ) : (
        <>
          <QuantityField
            label="Speed at release"
            dimension="speed"
            min={mphToMps(15)}
            max={mphToMps(110)}
            step={mphToMps(1)}
            value={mphToMps(ball.speedMph)}
            onChange={(mps) => set({ ...ball, speedMph: mpsToMph(mps) })}
          />
          <QuantityField
            label="Released from the plate"
            dimension="length"
            min={ftToM(20)}
            max={ftToM(62)}
            step={ftToM(1)}
            value={ftToM(ball.releaseFt)}
            onChange={(m) => set({ ...ball, releaseFt: mToFt(m) })}
          />
          <QuantityField
            label="Let go at height"
            dimension="length"
            min={0.2}
            max={2.6}
            step={0.05}
            value={ball.releaseZ_m ?? diamondOf(ball.sport)!.release.z}
            onChange={(releaseZ_m) => set({ ...ball, releaseZ_m })}
          />
          <Select
            label="Thrown by"
            value={ball.hand ?? armOf(ball) ?? 'either'}
            onChange={(hand) => {
              const { hand: _before, ...rest } = ball;
              set(hand === 'either' ? rest : { ...ball, hand });
            }}
            options={[
              ['right', 'a right-hander'],
              ['left', 'a left-hander'],
              ...(ball.sidespinRpm === 0 ? ([['either', 'either']] as const) : []),
            ]}
          />
          {spin}
          <QuantityField
            label="Sidespin"
            dimension="spin"
            min={-8000}
            max={8000}
            step={100}
            value={ball.sidespinRpm}
            onChange={(sidespinRpm) => set({ ...ball, sidespinRpm })}
            hint="plus: to a right-hander’s arm side"
          />
        </>
      )}
      <Controller
        control={form.control}
        name="notes"
        render={({ field }) => <TextField className="col-span-2" label="Notes" {...field} problem={problemOf('notes')} />}
      />
      {buttons}
    </form>
  );
}
