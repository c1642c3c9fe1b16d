import { once } from 'node:events';
import { createReadStream, readFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { errorDocument, runSolverOnText, solvers, type SolverResult } from '@holotonos/core';

const help = `bin/holotonos solve NAME [FILE|-]   one JSON document in, one out
bin/holotonos solve NAME --lines [FILE|-]   one document a line
bin/holotonos solve --list          the names of the solvers
bin/holotonos schema NAME           JSON Schema of what goes in and comes out
bin/holotonos gauge send NAME [--value X] [--port N]   presses the button of a stand-in gauge
bin/holotonos gauge list [--port N]                    the stand-ins and what the bench asks for

Exit: 0 solved, 2 bad input or unknown name, 3 no answer.`;

const exitCodes: Record<SolverResult['status'], number> = {
  'solved': 0,
  'invalid-input': 2,
  'unknown-solver': 2,
  'unsolvable': 3,
};

const document = (result: SolverResult): string =>
  JSON.stringify(result.status === 'solved' ? result.output : errorDocument(result));

/** Writes and waits while the reader is behind, so that a slow reader costs no memory. */
async function write(text: string): Promise<void> {
  if (!process.stdout.write(text)) await once(process.stdout, 'drain');
}

async function solveLines(name: string, file: string): Promise<number> {
  const input = file === '-' ? process.stdin : createReadStream(file);
  let batch = '';
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (line.trim() === '') continue;
    batch += `${document(runSolverOnText(name, line))}\n`;
    // A write a line is the slow part; a batch still bounds memory.
    if (batch.length > 65536) {
      await write(batch);
      batch = '';
    }
  }
  await write(batch);
  return 0;
}

async function solve(args: string[]): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { list: { type: 'boolean' }, lines: { type: 'boolean' } },
  });
  if (values.list) {
    await write(`${[...solvers.keys()].join('\n')}\n`);
    return 0;
  }
  const [name = '', file = '-'] = positionals;
  if (!solvers.has(name)) {
    console.error(JSON.stringify({ error: 'unknown-solver' }));
    return 2;
  }
  if (values.lines) return solveLines(name, file);
  const result = runSolverOnText(name, readFileSync(file === '-' ? 0 : file, 'utf8'));
  if (result.status === 'solved') await write(`${document(result)}\n`);
  else console.error(document(result));
  return exitCodes[result.status];
}

async function schema([name = '']: string[]): Promise<number> {
  const solver = solvers.get(name);
  if (!solver) {
    console.error(JSON.stringify({ error: 'unknown-solver' }));
    return 2;
  }
  const dialect = 'https://json-schema.org/draft/2020-12/schema';
  const both = { input: { $schema: dialect, ...solver.input }, output: { $schema: dialect, ...solver.output } };
  await write(`${JSON.stringify(both, null, 2)}\n`);
  return 0;
}

/** Where bin/start puts the page of the stand-ins unless told otherwise. */
const usualPagePort = '4651';

async function gauge(args: string[]): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { value: { type: 'string' }, port: { type: 'string', default: usualPagePort } },
  });
  const [act = 'list', name = ''] = positionals;
  const address = `http://127.0.0.1:${values.port}`;
  const ask = async (path: string, init?: RequestInit) => {
    try {
      return await fetch(`${address}${path}`, init);
    } catch {
      throw new Error(
        `No stand-in gauges answer at ${address}. Start them with bin/start, or name their page with --port.`,
      );
    }
  };
  if (act === 'list') {
    const state = (await (await ask('/state')).json()) as {
      aim: { ticket: string; point: { part: string; measure: string } } | null;
      gauges: { gauge: string; name: string; fits: boolean; plugged: boolean }[];
    };
    const asked = state.aim && `${state.aim.point.measure} of ${state.aim.point.part} on ${state.aim.ticket}`;
    await write(`The bench asks for ${asked ?? 'nothing yet'}.\n`);
    for (const each of state.gauges)
      await write(
        `${each.gauge.padEnd(20)} ${each.name}${each.plugged ? (each.fits ? '' : ' (cannot read this)') : ' (unplugged)'}\n`,
      );
    return 0;
  }
  if (!['send', 'unplug', 'garbage', 'flood'].includes(act)) throw new Error(help);
  const body = JSON.stringify({ gauge: name, action: act, ...(values.value !== undefined && { value: values.value }) });
  const response = await ask('/press', { method: 'POST', body });
  const answer = (await response.json()) as { said?: string; message?: string };
  if (!response.ok) throw new Error(answer.message ?? 'It was refused.');
  await write(`${answer.said}\n`);
  return 0;
}

/** Runs the command line and resolves to its exit code. */
export async function main([command = 'help', ...rest]: string[]): Promise<number> {
  // Whoever reads our output may stop before the end; that is not a fault.
  process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
  try {
    if (command === 'solve') return await solve(rest);
    if (command === 'schema') return await schema(rest);
    if (command === 'gauge') return await gauge(rest);
  } catch (error) {
    console.error((error as Error).message);
    return 2;
  }
  (command === 'help' || command === '--help' ? console.log : console.error)(help);
  return command === 'help' || command === '--help' ? 0 : 2;
}
