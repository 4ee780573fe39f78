/** `./arc calc <verb> [--lines]`: one JSON document in, one out. Exit 2 with a problem document on standard error for bad input. */
import { createInterface } from 'node:readline';
import { badInput, CALC_VERBS, calc, type Problem } from '@good-arc/core/calc';

const [verb = '', ...flags] = process.argv.slice(2);
const complain = (problem: Problem & { line?: number }): void => {
  process.stderr.write(`${JSON.stringify(problem)}\n`);
  process.exitCode = 2;
};

function answer(text: string, line?: number): void {
  const place = line === undefined ? {} : { line };
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    complain({
      ...badInput([
        {
          pointer: '',
          detail: `Not a JSON document (${(error as Error).message}). Give one JSON object${line === undefined ? '' : ' per line'}.`,
        },
      ]),
      ...place,
    });
    return;
  }
  const result = calc(verb, document);
  if (result.ok) process.stdout.write(`${JSON.stringify(result.answer)}\n`);
  else complain({ ...result.problem, ...place });
}

async function everything(): Promise<string> {
  const chunks: Buffer[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).toString('utf8');
}

const unknownFlag = flags.find((flag) => flag !== '--lines');
if (!Object.hasOwn(CALC_VERBS, verb))
  complain(badInput([{ pointer: '', detail: `There is no verb “${verb}”; there are: ${Object.keys(CALC_VERBS).join(', ')}.` }]));
else if (unknownFlag) complain(badInput([{ pointer: '', detail: `There is no flag “${unknownFlag}”; there is: --lines.` }]));
else if (flags.includes('--lines')) {
  let line = 0;
  for await (const text of createInterface({ input: process.stdin })) {
    line++;
    if (text.trim() !== '') answer(text, line);
  }
} else answer(await everything());
