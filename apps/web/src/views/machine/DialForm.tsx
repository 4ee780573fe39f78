import { DIAL_MOVES, type Dial, dialSchema, FIRST_SCALE, parseReading, printReading, SCALE_KINDS, type Scale } from '@good-arc/core';
import { fieldProblems } from '@good-arc/core/calc';
import { type FormEvent, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { Button } from '../../ui/Button.tsx';
import { MOVES_NAMES } from '../../ui/dialUnits.ts';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';

interface Props {
  dial: Dial | null;
  /** Wheels of the machine: a dial may drive one of them. */
  wheels: number;
  save: (dial: Dial) => Promise<void>;
  remove?: () => Promise<void>;
}

const KIND_NAMES: Record<Scale['kind'], string> = {
  numbers: 'numbers',
  fractions: 'fractions (a third, 5/8)',
  pins: 'pins',
  notches: 'notches',
  colours: 'colours',
  turns: 'turns of a screw, from a noted zero',
};

/** A dial in its own marks. Its curve stays unless the scale changes under it. */
export function DialForm({ dial, wheels, save, remove }: Props) {
  const [name, setName] = useState(dial?.name ?? '');
  const [moves, setMoves] = useState(dial?.moves ?? 'speed');
  const [wheel, setWheel] = useState(String(dial?.wheel ?? 1));
  const [scale, setScale] = useState<Scale>(dial?.scale ?? FIRST_SCALE.numbers);
  const [text, setText] = useState({
    lo: String(scale.lo),
    hi: String(scale.hi),
    click: String(scale.click),
    names: scale.names.join(', '),
  });
  const [falling, setFalling] = useState(dial?.falling ?? false);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const counted = scale.kind === 'pins' || scale.kind === 'notches';

  function chooseKind(kind: Scale['kind']): void {
    const next = FIRST_SCALE[kind];
    setScale(next);
    setText({ lo: String(next.lo), hi: String(next.hi), click: String(next.click), names: next.names.join(', ') });
  }

  function submit(event: FormEvent): void {
    event.preventDefault();
    const names = text.names
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean);
    const plain: Scale = { ...scale, kind: 'numbers', names: [] };
    const read = (said: string): number => parseReading(plain, said) ?? Number.NaN;
    const typed: Scale =
      scale.kind === 'colours'
        ? { ...scale, names, lo: 1, hi: names.length, click: 1 }
        : { ...scale, lo: counted ? 1 : read(text.lo), hi: read(text.hi), click: counted ? 1 : read(text.click) };
    const parsed = dialSchema.safeParse({
      id: dial?.id ?? uuidv7(),
      name,
      moves,
      wheel: moves === 'wheel' ? Number(wheel) : null,
      scale: typed,
      falling,
      curve: dial?.curve ?? null,
    });
    if (!parsed.success) {
      setProblems(Object.fromEntries(fieldProblems(parsed.error).map(({ pointer, detail }) => [pointer, detail])));
      return;
    }
    const sameScale =
      dial !== null &&
      dial.scale.lo === typed.lo &&
      dial.scale.hi === typed.hi &&
      dial.scale.kind === typed.kind &&
      dial.moves === moves &&
      dial.falling === falling;
    void save({ ...parsed.data, curve: sameScale ? (dial?.curve ?? null) : null });
  }

  return (
    <form className="grid grid-cols-2 gap-x-4 gap-y-3" onSubmit={submit} noValidate>
      <TextField
        className="col-span-2"
        label="Name, as it is written on the machine"
        data-first
        value={name}
        onChange={(event) => setName(event.target.value)}
        problem={problems['/name']}
      />
      <Select
        className={moves === 'wheel' ? '' : 'col-span-2'}
        label="It moves"
        value={moves}
        onChange={setMoves}
        options={DIAL_MOVES.filter((each) => each !== 'wheel' || wheels > 0).map((each) => [each, MOVES_NAMES[each]] as const)}
      />
      {moves === 'wheel' && (
        <Select
          label="Which wheel"
          value={wheel}
          onChange={setWheel}
          options={Array.from({ length: wheels }, (_, i) => [String(i + 1), String(i + 1)] as const)}
        />
      )}
      <Select
        className="col-span-2"
        label="It is marked in"
        value={scale.kind}
        onChange={chooseKind}
        options={SCALE_KINDS.map((kind) => [kind, KIND_NAMES[kind]] as const)}
      />
      {scale.kind === 'colours' ? (
        <TextField
          className="col-span-2"
          label="Its colours, from the lowest, with commas"
          value={text.names}
          onChange={(event) => setText({ ...text, names: event.target.value })}
          problem={problems['/scale/names'] ?? problems['/scale/hi']}
        />
      ) : counted ? (
        <TextField
          className="col-span-2"
          label={scale.kind === 'pins' ? 'How many pins' : 'How many notches'}
          inputMode="numeric"
          value={text.hi}
          onChange={(event) => setText({ ...text, hi: event.target.value })}
          problem={problems['/scale/hi'] ?? problems['/scale/click']}
        />
      ) : (
        <>
          <TextField
            label={scale.kind === 'turns' ? 'Farthest in, turns (minus)' : 'Lowest mark'}
            value={text.lo}
            onChange={(event) => setText({ ...text, lo: event.target.value })}
            problem={problems['/scale/lo']}
          />
          <TextField
            label={scale.kind === 'turns' ? 'Farthest out, turns' : 'Highest mark'}
            value={text.hi}
            onChange={(event) => setText({ ...text, hi: event.target.value })}
            problem={problems['/scale/hi']}
          />
          <TextField
            className="col-span-2"
            label="Smallest step a hand can set (1/8, 0.5, 1)"
            value={text.click}
            onChange={(event) => setText({ ...text, click: event.target.value })}
            problem={problems['/scale/click']}
          />
        </>
      )}
      {scale.kind === 'turns' && (
        <TextField
          className="col-span-2"
          label="Zero: how do you find it again?"
          placeholder="barrel level, pointer on the scratch"
          value={scale.zero}
          onChange={(event) => setScale({ ...scale, zero: event.target.value })}
          problem={problems['/scale/zero']}
        />
      )}
      <label className="col-span-2 flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" checked={falling} onChange={(event) => setFalling(event.target.checked)} /> A higher
        mark gives less
      </label>
      {dial?.curve && (
        <p className="col-span-2 text-quiet">
          It is tuned from {printReading(dial.scale, dial.scale.lo)} to {printReading(dial.scale, dial.scale.hi)}. Other marks, or another
          thing moved, forget the curve.
        </p>
      )}
      <div className="col-span-2 flex gap-3">
        <Button type="submit" look="primary" size="l" className="px-8">
          Save
        </Button>
        {remove && (
          <Button look="ghost" size="l" className="ml-auto" onClick={remove}>
            Take it off
          </Button>
        )}
      </div>
    </form>
  );
}
