import { describe, expect, test } from '@jest/globals';
import { spawn, spawnSync } from 'node:child_process';
import { resolve } from 'node:path';

const cli = resolve(import.meta.dirname, '../holotonos');
const run = (args: string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [cli, ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
};
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
  test('an unknown name exits with 2', () => {
    for (const args of [
      ['solve', 'spell'],
      ['solve', 'spell', '--lines'],
      ['schema', 'spell'],
    ]) {
      const { status, stderr } = run(args, '{}');
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
  test('--list names the solvers and schema prints both sides', () => {
    const names = run(['solve', '--list']).stdout.trim().split('\n');
    expect(names).toEqual(expect.arrayContaining(['conformity', 'rim', 'seat', 'plan']));
    for (const name of names) {
      const { input, output } = JSON.parse(run(['schema', name]).stdout) as { input: object; output: object };
      expect(input).toMatchObject({ type: 'object', additionalProperties: false });
      expect(output).toMatchObject({ type: 'object' });
    }
  });
  test('help says how it is called', () => {
    expect(run(['help'])).toMatchObject({ status: 0 });
    expect(run(['nonsense'])).toMatchObject({ status: 2 });
  });
  test('presses the button of a stand-in gauge, and says what to do when none answers', async () => {
    const nobody = run(['gauge', 'list', '--port', '9']);
    expect(nobody.status).toBe(2);
    expect(nobody.stderr).toMatch(/No stand-in gauges answer .* Start them with bin\/start/);
    const main = resolve(import.meta.dirname, '../../gauges/src/main.ts');
    const child = spawn(process.execPath, ['--import', 'tsx', main, '0', '0'], {
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    try {
      const said = await new Promise<string>((heard) => child.stdout.once('data', (text) => heard(String(text))));
      const port = /page at http:\/\/127\.0\.0\.1:(\d+)/.exec(said)?.[1] ?? '';
      expect(run(['gauge', 'list', '--port', port]).stdout).toMatch(/asks for nothing yet[\s\S]*micrometer/);
      const sent = run(['gauge', 'send', 'caliper', '--value', '24.43', '--port', port]);
      expect(JSON.parse(sent.stdout)).toMatchObject({ gauge: 'caliper', value: 24.43, unit: 'mm' });
      const refused = run(['gauge', 'send', 'caliper', '--port', port]);
      expect(refused.status).toBe(2);
      expect(refused.stderr).toMatch(/asks for nothing yet/);
      expect(run(['gauge', 'squeeze', 'caliper', '--port', port]).status).toBe(2);
    } finally {
      child.kill();
    }
  }, 60_000);
});
