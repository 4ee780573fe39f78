import {
  type Arrangement,
  gateSchema,
  type LadderDocument,
  type LadderId,
  nameSchema,
  type RungDocument,
  type RungId,
  rungFromSetup,
  type Setup,
} from '@good-arc/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { api, messageOf } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { TextField } from '../../ui/TextField.tsx';

export interface LadderChoice {
  id: string;
  name: string;
  sport: string;
}

/** The rung that is being edited, if any. */
export interface EditedRung {
  id: string;
  ladderId: LadderId;
  document: RungDocument;
  /** Which of its feeds is on the bench. */
  feed: number;
}

const NEW = 'new';

const formSchema = z
  .object({
    name: nameSchema,
    focalPoint: z.string().max(200, 'At most 200 characters'),
    ladderId: z.string(),
    newLadder: z.string().trim().max(120, 'At most 120 characters'),
    ballsPerRound: z.coerce.number('Type a whole number').int('Type a whole number').min(1, 'At least 1').max(200, 'At most 200'),
    rounds: z.coerce.number('Type a whole number').int('Type a whole number').min(1, 'At least 1').max(50, 'At most 50'),
    hits: z.coerce.number('Type a whole number').int('Type a whole number').min(1, 'At least 1'),
    of: z.coerce.number('Type a whole number').int('Type a whole number').min(1, 'At least 1').max(200, 'At most 200'),
    streak: z.coerce.number('Type a whole number').int('Type a whole number').min(1, 'At least 1').max(50, 'At most 50'),
  })
  .refine(({ ladderId, newLadder }) => ladderId !== NEW || newLadder !== '', { path: ['newLadder'], message: 'Give the new ladder a name' })
  .refine(({ hits, of }) => hits <= of, { path: ['hits'], message: 'Cannot ask for more hits than balls' });

interface Props {
  setup: Setup;
  arrangement: Arrangement;
  ladders: readonly LadderChoice[];
  edited: EditedRung | null;
  suggestedName: string;
  onClose: () => void;
  onSaved: (saved: { rungId: RungId; ladderId: LadderId; ladderName: string; edited: EditedRung }) => void;
}

/** Saves the bench as a rung of a ladder, new or existing. Nothing is lost when the server is away: the form stays as it is. */
export function SaveRung({ setup, arrangement, ladders, edited, suggestedName, onClose, onSaved }: Props) {
  const before = edited?.document;
  const streak = before !== undefined && 'streak' in before.gate ? before.gate.streak : null;
  const count = before !== undefined && 'hits' in before.gate ? before.gate : { hits: 5, of: 10 };
  const fitting = ladders.filter(({ sport }) => sport === setup.sport);
  const [failed, setFailed] = useState('');
  const [made] = useState(() => ({ rungId: uuidv7(), ladderId: uuidv7() }));
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: before?.name ?? suggestedName,
      focalPoint: before?.focalPoint ?? '',
      ladderId: edited?.ladderId ?? fitting[0]?.id ?? NEW,
      newLadder: '',
      ballsPerRound: before?.ballsPerRound ?? 10,
      rounds: before?.rounds ?? 2,
      ...count,
      streak: streak ?? 5,
    },
  });
  const { errors, isSubmitting } = form.formState;
  const chosen = form.watch('ladderId');

  const save = (asNew: boolean) =>
    form.handleSubmit(async (values) => {
      setFailed('');
      const gate = gateSchema.parse(streak === null ? { hits: values.hits, of: values.of } : { streak: values.streak });
      const { name, focalPoint, ballsPerRound, rounds } = values;
      const document = rungFromSetup(setup, arrangement, { name, focalPoint, ballsPerRound, rounds, gate }, edited);
      if (!document) return;
      const rungId = edited && !asNew ? edited.id : made.rungId;
      const ladderId = values.ladderId === NEW ? made.ladderId : values.ladderId;
      const ladderName = values.ladderId === NEW ? values.newLadder : (fitting.find(({ id }) => id === ladderId)?.name ?? 'the ladder');
      try {
        const ladder: LadderDocument = {
          name: values.newLadder,
          sport: setup.sport,
          level: setup.level,
          approach: setup.level === 'Advanced' || setup.level === 'Competing' ? 'earn-it' : 'sweet-spot',
        };
        // one write, under the same ids however often it is tried
        await api('PUT', `rungs/${rungId}`, { ladderId, document, ...(values.ladderId === NEW && { ladder }) });
        onSaved({
          rungId,
          ladderId,
          ladderName,
          edited: { id: rungId, ladderId, document, feed: edited?.feed ?? 0 },
        });
      } catch (error) {
        setFailed(messageOf(error));
      }
    });

  return (
    <Dialog title={edited ? 'Save the rung' : 'Add to a ladder'} onClose={onClose}>
      <form className="grid grid-cols-2 gap-x-4 gap-y-3" onSubmit={save(false)} noValidate>
        <TextField className="col-span-2" label="Name of the rung" data-first {...form.register('name')} problem={errors.name?.message} />
        <TextField
          className="col-span-2"
          label="Focal point, one sentence"
          {...form.register('focalPoint')}
          problem={errors.focalPoint?.message}
        />
        <div className="col-span-2">
          <label htmlFor="ladder" className="mb-0.5 block text-sm font-medium text-quiet">
            Ladder
          </label>
          <select id="ladder" className="select h-11 w-full border-base-content/60 bg-base-100 text-base" {...form.register('ladderId')}>
            {fitting.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            <option value={NEW}>A new ladder …</option>
          </select>
        </div>
        {chosen === NEW && (
          <TextField
            className="col-span-2"
            label="Name of the new ladder"
            {...form.register('newLadder')}
            problem={errors.newLadder?.message}
          />
        )}
        <TextField label="Balls a round" inputMode="numeric" {...form.register('ballsPerRound')} problem={errors.ballsPerRound?.message} />
        <TextField label="Rounds" inputMode="numeric" {...form.register('rounds')} problem={errors.rounds?.message} />
        {streak === null ? (
          <>
            <TextField label="Climb at … hits" inputMode="numeric" {...form.register('hits')} problem={errors.hits?.message} />
            <TextField label="… of balls" inputMode="numeric" {...form.register('of')} problem={errors.of?.message} />
          </>
        ) : (
          <TextField label="Climb at so many in a row" inputMode="numeric" {...form.register('streak')} problem={errors.streak?.message} />
        )}
        {failed && (
          <Notice role="alert" tone="error" className="col-span-2 font-medium">
            {failed}
          </Notice>
        )}
        <div className="col-span-2 mt-1 flex flex-wrap gap-3">
          <Button type="submit" look="primary" size="l" className="px-6" disabled={isSubmitting}>
            {isSubmitting ? 'Saving …' : edited ? 'Save changes' : 'Save rung'}
          </Button>
          {edited && (
            <Button size="l" disabled={isSubmitting} onClick={save(true)}>
              Save as another rung
            </Button>
          )}
        </div>
      </form>
    </Dialog>
  );
}
