import { BALLS, type BallId, type Dial, filesOf, readFile, writeMachineFile } from '@good-arc/core';
import { useRef, useState } from 'react';
import type { BallRow, MachineRow, TuneUpRow, Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { download, fileName } from '../../ui/download.ts';
import { Notice } from '../../ui/Notice.tsx';
import { putRow } from '../../ui/putRow.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { sayDay } from '../../ui/when.ts';
import { DialCard } from './DialCard.tsx';
import { DialForm } from './DialForm.tsx';

interface Props {
  viewer: Viewer;
  machine: MachineRow;
  tuneUps: TuneUpRow[];
  stock: BallRow[];
  spares: string[];
}

export default function MachinePage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <MachineView {...props} />
    </Units>
  );
}

const POWER = { battery: 'battery', mains: 'mains lead', hand: 'by hand' } as const;
const AIMED = { hand: 'turned by hand', sweep: 'sweeps by itself', program: 'turns by program' } as const;

/** One machine: what its dials mean, how that was learnt, its line, its file. */
function MachineView({ viewer, machine: initial, tuneUps, stock, spares }: Props) {
  const [machine, setMachine] = useState(initial);
  /** As the server has it. */
  const kept = useRef(initial);
  const [editing, setEditing] = useState<Dial | 'new' | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const file = useRef<HTMLInputElement>(null);
  const units = useUnits();
  const { profile, dials } = machine;
  const jams = stock.filter(({ ballId }) => 2 * BALLS.find(({ id }) => id === ballId)!.radiusM > profile.widestBallM && sameSport(ballId));

  function sameSport(ballId: BallId): boolean {
    return profile.sports.includes(BALLS.find(({ id }) => id === ballId)!.sport);
  }

  /** Saves the whole record at once; what the server refuses is put back. */
  async function save(part: Partial<MachineRow>): Promise<boolean> {
    const before = machine;
    const next = { ...machine, ...part };
    setMachine(next);
    const worked = await attempt(async () => {
      kept.current = await putRow('kit/machines', { ...next, version: kept.current.version });
      setMachine(kept.current);
    });
    if (!worked) setMachine(before);
    return worked;
  }

  async function saidSaved(part: Partial<MachineRow>, text: string): Promise<void> {
    const before = machine;
    if (!(await save(part))) return;
    saidWithUndo(text, async () => {
      kept.current = await putRow('kit/machines', { ...before, version: kept.current.version });
      setMachine(kept.current);
    });
  }

  const withDial = (dial: Dial): Dial[] =>
    dials.some(({ id }) => id === dial.id) ? dials.map((each) => (each.id === dial.id ? dial : each)) : [...dials, dial];

  async function restore(chosen: File): Promise<void> {
    const read = readFile('machine', await chosen.text());
    if (!read.ok) {
      setProblems(read.problems.map(({ pointer, detail }) => (pointer ? `${pointer}: ${detail}` : detail)));
      return;
    }
    setProblems([]);
    const { profile: newProfile, dials: newDials, notes } = read.value;
    await saidSaved({ profile: newProfile, dials: newDials, notes }, `${machine.name} is as its file says; its name was kept.`);
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <a href="/kit?at=machines" className="text-sm font-medium text-quiet hover:underline">
        All machines
      </a>
      <h1 className="text-3xl break-words">{machine.name}</h1>
      <p className="text-quiet">
        {profile.kind} · {units.speed(profile.speedMps[0])} to {units.speed(profile.speedMps[1])} · {profile.elevationDeg[0]}° to{' '}
        {profile.elevationDeg[1]}° · holds {profile.hopper} · {POWER[profile.power]} · {AIMED[profile.aimedBy]} · {profile.massKg} kg
      </p>
      <p className="text-quiet">
        Repeats its speed to ± {profile.repeatability.speedPct} %, its direction to ± {profile.repeatability.bearingDeg}° (1 σ).
        {machine.notes && ` ${machine.notes}`}
      </p>
      {jams.length > 0 && (
        <Notice tone="warning" className="mt-2">
          <b>Too wide for this machine:</b> {jams.map(({ name }) => name).join(', ')}. They jam it; it takes balls up to{' '}
          {units.length(profile.widestBallM)} across.
        </Notice>
      )}

      <section className="mt-5" aria-labelledby="dials">
        <div className="flex flex-wrap items-center gap-3 border-b border-base-content pb-2">
          <h2 id="dials" className="text-2xl">
            Dials
          </h2>
          {viewer.canPlan && (
            <Button className="ml-auto" onClick={() => setEditing('new')}>
              Add a dial
            </Button>
          )}
        </div>
        {dials.length === 0 && (
          <p className="mt-4 max-w-xl text-lg">
            No dials: this machine is set in figures. Add one if something on it is marked in numbers, pins, notches or turns.
          </p>
        )}
        <ul className="grid gap-x-8 lg:grid-cols-2">
          {dials.map((dial) => (
            <DialCard
              key={dial.id}
              dial={dial}
              profile={profile}
              tuneUp={tuneUps.find(({ document }) => document.dialId === dial.id)}
              canPlan={viewer.canPlan}
              tuneHref={`/tune?machine=${machine.id}&dial=${dial.id}`}
              onChange={() => setEditing(dial)}
              onDeleteCurve={() => saidSaved({ dials: withDial({ ...dial, curve: null }) }, `The curve of “${dial.name}” was deleted.`)}
            />
          ))}
        </ul>
      </section>

      <div className="mt-6 grid gap-6 md:grid-cols-2">
        <section aria-labelledby="file">
          <h2 id="file" className="border-b border-base-content pb-1 text-xl">
            As a file
          </h2>
          <p className="mt-2">The record, the dials and their curves, to keep or to take to another club.</p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button
              onClick={() =>
                download(`${fileName(machine.name)}.machine.json`, new Blob([writeMachineFile(machine)], { type: 'application/json' }))
              }
            >
              Save as a file
            </Button>
            {viewer.canPlan && (
              <>
                <Button onClick={() => file.current?.click()}>Restore from a file</Button>
                <input
                  ref={file}
                  type="file"
                  accept={filesOf('machine')}
                  className="hidden"
                  aria-label="Machine file"
                  onChange={async (event) => {
                    const [chosen] = event.target.files ?? [];
                    if (chosen) await restore(chosen);
                    event.target.value = '';
                  }}
                />
              </>
            )}
          </div>
          {problems.length > 0 && (
            <Notice role="alert" tone="error" className="mt-3">
              <b>Nothing was taken from this file.</b>
              <ul>
                {problems.slice(0, 8).map((problem) => (
                  <li key={problem}>{problem}</li>
                ))}
              </ul>
            </Notice>
          )}
        </section>
        <section aria-labelledby="line">
          <h2 id="line" className="border-b border-base-content pb-1 text-xl">
            Line
          </h2>
          <p className="mt-2">
            {machine.linkAddress
              ? `On a line at ${machine.linkAddress.split('#')[0]}: it takes programs and tells every release.`
              : 'Worked by hand: nothing is sent to it.'}
          </p>
          {viewer.canPlan && (
            <div className="mt-2 flex flex-wrap gap-2">
              {!machine.linkAddress && spares[0] && (
                <Button onClick={() => saidSaved({ linkAddress: spares[0]! }, `${machine.name} is on a simulated machine now.`)}>
                  Use a simulated machine
                </Button>
              )}
              {machine.linkAddress && (
                <Button look="ghost" onClick={() => saidSaved({ linkAddress: '' }, `${machine.name} is worked by hand now.`)}>
                  Take it off its line
                </Button>
              )}
            </div>
          )}
        </section>
      </div>

      {tuneUps.length > 0 && (
        <section className="mt-6" aria-labelledby="history">
          <h2 id="history" className="border-b border-base-content pb-1 text-xl">
            Tune-ups
          </h2>
          <ul>
            {tuneUps.map(({ id, document, personName, tunedAt }) => (
              <li key={id} className="border-b border-base-300 py-2">
                <b>{document.dialName}</b> · {sayDay(tunedAt)} · {document.balls.filter(({ leftOut }) => !leftOut).length} of{' '}
                {document.balls.length} balls · {units.temperature(document.weather.temperatureC)} · battery {document.battery} ·{' '}
                {personName}
              </li>
            ))}
          </ul>
        </section>
      )}
      {editing && (
        <Dialog title={editing === 'new' ? 'Add a dial' : `Change ${editing.name}`} onClose={() => setEditing(null)}>
          <DialForm
            dial={editing === 'new' ? null : editing}
            wheels={profile.wheelsDeg.length}
            save={async (dial) => {
              setEditing(null);
              await save({ dials: withDial(dial) });
            }}
            {...(editing !== 'new' && {
              remove: async () => {
                setEditing(null);
                await saidSaved({ dials: dials.filter(({ id }) => id !== editing.id) }, `“${editing.name}” was taken off.`);
              },
            })}
          />
        </Dialog>
      )}
    </div>
  );
}
