import { once } from 'node:events';
import { createReadStream, readFileSync, writeFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import {
  applyOptions,
  chanceFrom,
  compassOf,
  errorDocument,
  hiddenInstrument,
  instrumentType,
  playedInstrument,
  soundInstrument,
  shippedTypes,
  publishedSchemas,
  runSolverOnText,
  solvers,
  type SolverResult,
} from '@holotonos/core';
import wavefile from 'wavefile';
import { figure, read, Usage, whyUnread, write } from './usage';

/** Where bin/start puts the page of the stand-ins unless told otherwise. */
const usualPagePort = '4651';

const help = `bin/holotonos list                          the names of the solvers
bin/holotonos solve NAME [FILE|-]           one JSON document in, one out
bin/holotonos solve NAME --lines [FILE|-]   one document a line
bin/holotonos schema NAME                   JSON Schema of what goes in and comes out; also of a published document
bin/holotonos schema --list                 the names of the schemas
bin/holotonos play TYPE FILE.wav [--seed N] [--ticket T] [--notes a4-1,b4-1] [--breath 30] [--rate 48000]
                                            a made-up instrument, note by note, as a stand-in for a player
bin/holotonos backup FILE                   all that the shop holds into one file, photos too, as of one moment
bin/holotonos backup --to FOLDER [--every HOURS] [--keep N]
                                            under its date in a folder; again every so many hours; the newest N are kept
bin/holotonos verify FILE                   reads a backup through and says what it holds
bin/holotonos restore FILE [--aside]        brings it back into an empty database; --aside: what is there is kept under another name
bin/holotonos gauge list [--port N]                    the stand-ins and what the bench asks for
bin/holotonos gauge send NAME [--value X] [--port N]   presses the button of a stand-in gauge
bin/holotonos gauge unplug|garbage|flood NAME [--port N]   makes it behave badly

N is the port of the gauges’ page, as bin/start prints it: 51 above the port of the bench, ${usualPagePort} unless said otherwise.
Backups are of the database of this checkout, or of DATABASE_URL (DATABASE_OWNER_URL, where that is somebody else).
Exit: 0 done, 2 bad input or unknown name, 3 no answer.`;

/** The text of a file or of standard input. */
function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Usage(whyUnread(file, error));
  }
}

const exitCodes: Record<SolverResult['status'], number> = {
  'solved': 0,
  'invalid-input': 2,
  'unknown-solver': 2,
  'unsolvable': 3,
};

const document = (result: SolverResult): string =>
  JSON.stringify(result.status === 'solved' ? result.output : errorDocument(result));

async function solveLines(name: string, file: string): Promise<number> {
  const input = file === '-' ? process.stdin : createReadStream(file);
  // Opened first: a reader of lines never hears that there was no file.
  if (input !== process.stdin)
    await once(input, 'open').catch((error: unknown) => Promise.reject(new Usage(whyUnread(file, error))));
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
  const { values, positionals } = read(args, { list: { type: 'boolean' }, lines: { type: 'boolean' } }, 2);
  if (values.list) return list([...solvers.keys()]);
  const [name = '', file = '-'] = positionals;
  if (!solvers.has(name)) {
    console.error(JSON.stringify({ error: 'unknown-solver' }));
    return 2;
  }
  if (values.lines) return solveLines(name, file);
  const result = runSolverOnText(name, textOf(file));
  if (result.status === 'solved') await write(`${document(result)}\n`);
  else console.error(document(result));
  return exitCodes[result.status];
}

async function list(names: readonly string[]): Promise<number> {
  await write(`${names.join('\n')}\n`);
  return 0;
}

async function schema(args: string[]): Promise<number> {
  const { values, positionals } = read(args, { list: { type: 'boolean' } }, 1);
  const names = [...solvers.keys(), ...Object.keys(publishedSchemas)];
  if (values.list) return list(names);
  const [name = ''] = positionals;
  const published = Object.hasOwn(publishedSchemas, name) ? publishedSchemas[name] : undefined;
  const solver = solvers.get(name);
  if (!solver && !published) {
    const message = `There is no schema “${name}”. There are: ${names.join(', ')}.`;
    console.error(JSON.stringify({ error: 'unknown-solver', message }));
    return 2;
  }
  const dialect = 'https://json-schema.org/draft/2020-12/schema';
  const found = solver
    ? { input: { $schema: dialect, ...solver.input }, output: { $schema: dialect, ...solver.output } }
    : published;
  await write(`${JSON.stringify(found, null, 2)}\n`);
  return 0;
}

async function gauge(args: string[]): Promise<number> {
  const { values, positionals } = read(
    args,
    { value: { type: 'string' }, port: { type: 'string', default: usualPagePort } },
    2,
  );
  const [act = 'list', name = ''] = positionals;
  if (!/^\d{1,5}$/.test(values.port) || Number(values.port) < 1 || Number(values.port) > 65535)
    throw new Usage(`“${values.port}” is not a port. Give that of the gauges’ page, such as ${usualPagePort}.`);
  const acts = ['list', 'send', 'unplug', 'garbage', 'flood'];
  if (!acts.includes(act)) throw new Usage(`A gauge cannot be asked to “${act}”. It knows: ${acts.join(', ')}.`);
  if (act === 'list' && name !== '') throw new Usage(`“${name}” is one argument too many: list shows them all.`);
  if (act !== 'list' && name === '') throw new Usage(`Name the gauge. bin/holotonos gauge list shows them.`);
  const address = `http://127.0.0.1:${values.port}`;
  const ask = async (path: string, init?: RequestInit): Promise<{ ok: boolean; body: unknown }> => {
    try {
      const response = await fetch(`${address}${path}`, init);
      return { ok: response.ok, body: await response.json() };
    } catch {
      throw new Usage(
        `No stand-in gauges answer at ${address}. Start them with bin/start, or name with --port the port of their page, which bin/start prints (51 above that of the bench).`,
      );
    }
  };
  if (act === 'list') {
    const state = (await ask('/state')).body as {
      aim: { ticket: string; point: { part: string; measure: string } } | null;
      gauges: { gauge: string; name: string; fits: boolean; plugged: boolean }[];
    };
    if (!Array.isArray(state.gauges)) throw new Usage(`What answers at ${address} is not the page of the gauges.`);
    const asked = state.aim && `${state.aim.point.measure} of ${state.aim.point.part} on ${state.aim.ticket}`;
    await write(`The bench asks for ${asked ?? 'nothing yet'}.\n`);
    for (const each of state.gauges)
      await write(
        `${each.gauge.padEnd(20)} ${each.name}${each.plugged ? (each.fits ? '' : ' (cannot read this)') : ' (unplugged)'}\n`,
      );
    return 0;
  }
  const body = JSON.stringify({ gauge: name, action: act, ...(values.value !== undefined && { value: values.value }) });
  const response = await ask('/press', { method: 'POST', body });
  const answer = response.body as { said?: string; message?: string };
  if (!response.ok) throw new Usage(answer.message ?? 'It was refused.');
  await write(`${answer.said}\n`);
  return 0;
}

/** More than this is a long wait and a large file. */
const mostNotes = 200;

async function play(args: string[]): Promise<number> {
  const { values, positionals } = read(
    args,
    {
      seed: { type: 'string', default: '1' },
      ticket: { type: 'string' },
      notes: { type: 'string' },
      breath: { type: 'string', default: '30' },
      rate: { type: 'string', default: '48000' },
    },
    2,
  );
  const [id = '', file] = positionals;
  const shipped = instrumentType(id);
  if (!shipped)
    throw new Usage(`There is no type “${id}”. There are: ${shippedTypes.map((each) => each.id).join(', ')}.`);
  if (file === undefined) throw new Usage('Name the file the sound goes into, such as scale.wav.');
  const type = applyOptions(shipped, []);
  const seed = figure('seed', values.seed, 0, 2 ** 31);
  const rate = figure('rate', values.rate, 8000, 192_000);
  const truth =
    values.ticket === undefined ? soundInstrument(type, chanceFrom(seed)) : hiddenInstrument(values.ticket, type);
  const compass = compassOf(type);
  const wanted = values.notes?.split(',') ?? compass.map((note) => note.id);
  const strange = wanted.find((note) => !compass.some((each) => each.id === note));
  if (strange !== undefined)
    throw new Usage(`“${strange}” is no fingering of it. There are: ${compass.map((note) => note.id).join(', ')}.`);
  if (wanted.length > mostNotes) throw new Usage(`That is more than ${mostNotes} notes.`);
  const put = (content: string | Uint8Array) => {
    try {
      writeFileSync(file, content);
    } catch (error) {
      throw new Usage(`${file} could not be written: ${(error as Error).message}`);
    }
  };
  // Before a minute of sound is worked out for a file that cannot be written.
  put('');
  const { sound, notes } = playedInstrument(type, truth, wanted, {
    rate,
    above: figure('breath', values.breath, -20, 80),
    seed,
  });
  const wave = new wavefile.WaveFile();
  wave.fromScratch(1, rate, '32f', sound);
  put(wave.toBuffer());
  for (const { id: note, cents } of notes)
    await write(`${note.padEnd(24)} ${cents === null ? 'does not speak' : `${cents.toFixed(1)} cents`}\n`);
  return 0;
}

/** Runs the command line and resolves to its exit code. */
export async function main([command = 'help', ...rest]: string[]): Promise<number> {
  try {
    if (command === 'list') {
      read(rest, {}, 0);
      return await list([...solvers.keys()]);
    }
    if (command === 'solve') return await solve(rest);
    if (command === 'schema') return await schema(rest);
    if (command === 'gauge') return await gauge(rest);
    if (command === 'play') return await play(rest);
    // Whoever asks a solver something need not wait for what the database brings with it.
    if (command === 'backup') return await (await import('./backup')).backup(rest);
    if (command === 'verify') return await (await import('./backup')).verify(rest);
    if (command === 'restore') return await (await import('./backup')).restore(rest);
  } catch (error) {
    console.error((error as Error).message);
    return 2;
  }
  if (command !== 'help' && command !== '--help') console.error(`There is no command “${command}”.\n`);
  (command === 'help' || command === '--help' ? console.log : console.error)(help);
  return command === 'help' || command === '--help' ? 0 : 2;
}
