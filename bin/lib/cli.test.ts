import { describe, expect, jest, test } from '@jest/globals';
import { notesIn } from '@holotonos/core/listening';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import wavefile from 'wavefile';
import { main } from './cli';
import { startOf } from './program.mjs';

jest.setTimeout(120_000);

const cli = resolve(import.meta.dirname, '../holotonos');
const run = (args: string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [cli, ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
};
/** The same without a process of its own, where nothing is read from standard input. */
async function here(args: string[]) {
  let [stdout, stderr] = ['', ''];
  const out = jest.spyOn(process.stdout, 'write').mockImplementation((text) => {
    stdout += String(text);
    return true;
  });
  const spies = [
    out,
    jest.spyOn(console, 'log').mockImplementation((text) => void (stdout += `${String(text)}\n`)),
    jest.spyOn(console, 'error').mockImplementation((text) => void (stderr += `${String(text)}\n`)),
  ];
  try {
    return { status: await main(args), stdout, stderr };
  } finally {
    for (const spy of spies) spy.mockRestore();
  }
}
const question = {
  readings: [9.02, 9.05, 9.03],
  gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
  limits: { lower: 8.95, upper: 9.1 },
};

describe('bin/holotonos', () => {
  test('solves a document from standard input', () => {
    const { status, stdout } = run(['solve', 'conformity', '-'], JSON.stringify(question));
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ verdict: 'within', readingsNeeded: 0 });
  });
  test('bad input exits with 2 and names the place on standard error', () => {
    const { status, stdout, stderr } = run(['solve', 'conformity'], JSON.stringify({ ...question, readings: [] }));
    expect([status, stdout]).toEqual([2, '']);
    expect(JSON.parse(stderr)).toMatchObject({ error: 'invalid-input', problems: [{ path: '/readings' }] });
    expect(JSON.parse(run(['solve', 'rim'], 'nonsense').stderr)).toMatchObject({ problems: [{ path: '' }] });
  });
  test('no answer exits with 3', () => {
    const gaps = [0, 60, 120, 180, 240, 300].map((clock) => ({ clock, gap: 0 }));
    const { status, stderr } = run(
      ['solve', 'seat'],
      JSON.stringify({ gaps, padDiameter: 40, axisDistance: 20, limits: { gap: 0.03 } }),
    );
    expect(status).toBe(3);
    expect(JSON.parse(stderr)).toMatchObject({ error: 'unsolvable' });
  });
  test.each([
    ['a missing file', ['solve', 'rim', '/nowhere.json'], /^There is no file \/nowhere\.json\.$/],
    ['a missing file of lines', ['solve', 'rim', '--lines', '/nowhere.json'], /^There is no file \/nowhere\.json\.$/],
    ['a folder', ['solve', 'rim', '/tmp'], /^\/tmp is a folder\. /],
    ['an argument too many', ['solve', 'rim', '-', 'more'], /^“more” is one argument too many\./],
    ['an argument too many for a list', ['list', 'rim'], /^“rim” is one argument too many\./],
    ['an unknown option', ['solve', 'rim', '--frob'], /--frob/],
    ['a port that is none', ['gauge', 'list', '--port', 'x'], /^“x” is not a port\. .*4651/],
    ['a gauge without a name', ['gauge', 'send'], /^Name the gauge\./],
    ['an act that is none', ['gauge', 'squeeze', 'caliper'], /cannot be asked to “squeeze”\. It knows: list, send/],
    ['an unknown command', ['frob'], /^There is no command “frob”\./],
  ])('%s is told in a plain sentence', async (_, args, words) => {
    const { status, stdout, stderr } = await here(args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.trim()).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
  });
  test('an unknown schema is answered with the names there are; published documents have theirs', async () => {
    const { message } = JSON.parse((await here(['schema', 'spell'])).stderr) as { message: string };
    expect(message).toMatch(/There is no schema “spell”\. There are: conformity, .*job-document/);
    expect((await here(['schema', '--list'])).stdout.split('\n')).toEqual(
      expect.arrayContaining(['seat', 'job-document']),
    );
    expect(JSON.parse((await here(['schema', 'job-document'])).stdout)).toMatchObject({
      title: 'Holotonos job document',
    });
  });
  test('an unknown name exits with 2', async () => {
    for (const args of [
      ['solve', 'spell'],
      ['solve', 'spell', '--lines'],
    ]) {
      const { status, stderr } = await here(args);
      expect(status).toBe(2);
      expect(JSON.parse(stderr)).toEqual({ error: 'unknown-solver' });
    }
  });
  test('--lines answers line by line, passes over blank lines and goes on after a bad one', () => {
    const lines = [
      JSON.stringify(question),
      '',
      'nonsense',
      JSON.stringify({ ...question, extra: 1 }),
      JSON.stringify(question),
    ];
    const { status, stdout } = run(['solve', 'conformity', '--lines'], lines.join('\n'));
    expect(status).toBe(0);
    const answers = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { verdict?: string; error?: string });
    expect(answers.map(({ verdict, error }) => verdict ?? error)).toEqual([
      'within',
      'invalid-input',
      'invalid-input',
      'within',
    ]);
  });
  test('list names the solvers and schema prints both sides', async () => {
    expect(run(['list']).stdout).toBe((await here(['solve', '--list'])).stdout);
    const names = (await here(['solve', '--list'])).stdout.trim().split('\n');
    expect(names).toEqual(expect.arrayContaining(['conformity', 'rim', 'seat', 'plan']));
    for (const name of names) {
      const { input, output } = JSON.parse((await here(['schema', name])).stdout) as { input: object; output: object };
      expect(input).toMatchObject({ type: 'object', additionalProperties: false });
      expect(output).toMatchObject({ type: 'object' });
    }
  });
  test('help says how it is called', () => {
    expect(run(['help'])).toMatchObject({ status: 0 });
    expect(run(['nonsense'])).toMatchObject({ status: 2 });
  });
  test('plays a made-up instrument into a file that any program reads, and says what each note really is', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'holotonos-play-'));
    const file = join(folder, 'three.wav');
    try {
      const { status, stdout } = await here([
        ...['play', 'oboe', file, '--seed', '4', '--rate', '44100', '--notes', 'a4-1,b4-1'],
      ]);
      expect([status, stdout]).toEqual([0, expect.stringMatching(/^a4-1 +-?\d+\.\d cents\nb4-1 +-?\d+\.\d cents\n$/)]);
      const wave = new wavefile.WaveFile(readFileSync(file));
      expect(wave.fmt).toMatchObject({ numChannels: 1, sampleRate: 44100, bitsPerSample: 32 });
      const samples = wave.getSamples(false, Float32Array) as unknown as Float32Array;
      const notes = notesIn(samples, 44100);
      let step = notes.next();
      while (!step.done) step = notes.next();
      const names = [440, 493.883];
      const off = step.value.map(({ frequency }, i) => 1200 * Math.log2(frequency / (names[i] ?? 1)));
      // What is heard is what was said was played.
      expect(off).toEqual(
        [...stdout.matchAll(/(-?\d+\.\d) cents/g)].map(([, cents]) => expect.closeTo(Number(cents), 0)),
      );
      const again = join(folder, 'again.wav');
      await here(['play', 'oboe', again, '--seed', '4', '--rate', '44100', '--notes', 'a4-1,b4-1']);
      expect(readFileSync(again).equals(readFileSync(file))).toBe(true);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
  test.each([
    [['play', 'bagpipe', 'x.wav'], /no type “bagpipe”.*oboe/],
    [['play', 'oboe'], /Name the file/],
    [['play', 'oboe', '/nowhere/x.wav'], /could not be written/],
    [['play', 'oboe', 'x.wav', '--notes', 'z9-1'], /“z9-1” is no fingering.*a4-1/],
    [['play', 'oboe', 'x.wav', '--rate', 'fast'], /--rate is a figure from 8000/],
    [['play', 'oboe', 'x.wav', 'y.wav'], /one argument too many/],
  ])('%j is refused in words, and no file is left', async (args, words) => {
    const { status, stderr } = await here(args);
    expect([status, stderr]).toEqual([2, expect.stringMatching(words)]);
    expect(existsSync('x.wav')).toBe(false);
  });
  test('presses the button of a stand-in gauge, and says what to do when none answers', async () => {
    const nobody = await here(['gauge', 'list', '--port', '9']);
    expect(nobody.status).toBe(2);
    expect(nobody.stderr).toMatch(/No stand-in gauges answer .* Start them with bin\/start, .*51 above/);
    const child = spawn(process.execPath, [...(await startOf('gauges/src/main.ts')), '0', '0'], {
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    try {
      const said = await new Promise<string>((heard) => child.stdout.once('data', (text) => heard(String(text))));
      const port = /page at http:\/\/127\.0\.0\.1:(\d+)/.exec(said)?.[1] ?? '';
      expect((await here(['gauge', 'list', '--port', port])).stdout).toMatch(/asks for nothing yet[\s\S]*micrometer/);
      const sent = await here(['gauge', 'send', 'caliper', '--value', '24.43', '--port', port]);
      expect(JSON.parse(sent.stdout)).toMatchObject({ gauge: 'caliper', value: 24.43, unit: 'mm' });
      const refused = await here(['gauge', 'send', 'caliper', '--port', port]);
      expect(refused.status).toBe(2);
      expect(refused.stderr).toMatch(/asks for nothing yet/);
      expect((await here(['gauge', 'send', 'nothing', '--port', port])).status).toBe(2);
    } finally {
      child.kill();
    }
  }, 60_000);
});
