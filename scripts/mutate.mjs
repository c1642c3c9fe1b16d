#!/usr/bin/env node
// Asks whether the tests would notice: changes one small thing at a time in a seeded sample of places and runs the tests
// that reach it, the nearest first.  node scripts/mutate.mjs [core|store|web|bin …] [--count N] [--seed N] [--from K]
// A long sample can be gone on with: the same seed, from the K-th on.
// Works in this checkout and puts every file back; do not edit beside it. Needs no server for core; for the rest name one
// in HOLOTONOS_TEST_SERVER, as bin/test does.
import { context } from 'esbuild';
import { spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import ts from 'typescript';
import { coreTests } from './jestCoreTests.mjs';

const root = resolve(import.meta.dirname, '..');
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    count: { type: 'string', default: '30' },
    seed: { type: 'string', default: '1' },
    from: { type: 'string', default: '1' },
  },
});
/** Where the code of a room lies, and the Jest projects that test it. */
const rooms = {
  core: { folder: 'core/src', projects: ['clock'], built: true },
  store: { folder: 'store/src', projects: ['store', 'clock'] },
  web: { folder: 'web/src', projects: ['web', 'clock'] },
  bin: { folder: 'bin/lib', projects: ['cli'] },
};
const chosen = positionals.length > 0 ? positionals : Object.keys(rooms);
/** What is data, words or drawing: there a change is a matter of taste, or seen in the browser only. */
const passedOver =
  /\.(test|schema|d)\.m?ts|\.tsx$|\/(generated|demo|types|styles|workers)\/|index\.ts$|Words\.ts$|vocabulary|operations\.ts$/;

/** Small seeded chance: the same sample for the same seed. */
function chanceFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const swapped = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '??': '&&',
};

/** What stands for a figure that an index in bounds always finds: the types ask for it, and nothing ever takes it. */
function standsForNone(node) {
  const { parent } = node;
  if (!ts.isBinaryExpression(parent) || parent.operatorToken.kind !== ts.SyntaxKind.QuestionQuestionToken) return false;
  if (parent.right !== node || !ts.isElementAccessExpression(parent.left)) return false;
  const at = parent.left.argumentExpression;
  return ts.isBinaryExpression(at) || ts.isNumericLiteral(at) || (ts.isIdentifier(at) && at.text.length === 1);
}

/** Every small change that can be made to a file: where, and what stands there instead. */
function changesOf(text, file) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const changes = [];
  const add = (node, instead, what) => changes.push({ from: node.getStart(source), to: node.getEnd(), instead, what });
  const visit = (node) => {
    if (
      ts.isImportDeclaration(node) ||
      ts.isTypeNode(node) ||
      ts.isInterfaceDeclaration(node) ||
      ts.isTypeAliasDeclaration(node) ||
      // What a body may hold is compiled ahead and published: a check of its own compares that.
      (ts.isSatisfiesExpression(node) && node.type.getText(source) === 'JSONSchema') ||
      (ts.isAsExpression(node) &&
        /^\{\s*type: '(object|array|string|number|integer)',/.test(node.expression.getText(source)))
    )
      return;
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText(source);
      const text = /['"`]/.test(node.getText(source));
      if (swapped[sign] && !(sign === '+' && text))
        add(node.operatorToken, swapped[sign], `${sign} → ${swapped[sign]}`);
    }
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false', 'true → false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true', 'false → true');
    if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent) && !standsForNone(node))
      add(node, String(Number(node.text) + 1), `${node.text} + 1`);
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      add(node, node.operand.getText(source), '! dropped');
    if (ts.isConditionalExpression(node))
      add(node.condition, `!(${node.condition.getText(source)})`, 'branches swapped');
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(source)})`, 'if turned round');
    if (ts.isStringLiteral(node) && node.text.length > 1 && ts.isCallExpression(node.parent))
      add(node, "''", 'text emptied');
    if (
      ts.isExpressionStatement(node) &&
      ts.isCallExpression(node.expression) &&
      node.expression.expression.kind !== ts.SyntaxKind.SuperKeyword
    )
      add(node, ';', 'call dropped');
    if (ts.isObjectLiteralElement(node) && ts.isSpreadAssignment(node)) add(node, '', 'spread dropped');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return changes;
}

const env = { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning' };
/** A change that makes the tests run for ever is noticed too. */
const patienceMs = { near: 90_000, far: 400_000, whole: 900_000 };
function passes(projects, args, timeout) {
  const { status } = spawnSync(
    join(root, 'node_modules/.bin/jest'),
    ['--selectProjects', ...projects, '--bail', '--silent', '--passWithNoTests', '--maxWorkers=1', ...args],
    { cwd: root, env, stdio: 'ignore', timeout },
  );
  return status === 0;
}
let built = null;
/**
 * The core's tests as `bin/test` asks them, each in one piece with what it reaches: a change can be noticed by those alone
 * whose piece is another by it. Those that lie beside it first.
 */
async function passesBuilt(file) {
  if (!built) {
    const building = await context({ ...coreTests(), write: false, logLevel: 'silent' });
    const whole = new Map((await building.rebuild()).outputFiles.map(({ path, text }) => [path, text]));
    for (const [path, text] of whole) {
      mkdirSync(dirname(path), { recursive: true });
      writeFileSync(path, text);
    }
    built = { building, whole };
    // Nothing is changed yet: all are asked.
    return passes(['core-built'], [], patienceMs.whole);
  }
  const { building, whole } = built;
  const now = await building.rebuild().catch(() => null);
  if (!now) return false;
  const changed = now.outputFiles.filter(({ path, text }) => whole.get(path) !== text);
  const beside = (path) => path.includes(`/jest-core-tests/${dirname(file).replace(/^core\//, '')}/`);
  try {
    for (const { path, text } of changed) writeFileSync(path, text);
    const paths = changed.map(({ path }) => path);
    const [near, far] = [paths.filter(beside), paths.filter((path) => !beside(path))];
    const pass = (list, patience) =>
      list.length === 0 || passes(['core-built'], ['--runTestsByPath', ...list], patience);
    return pass(near, patienceMs.near) && pass(far, patienceMs.whole);
  } finally {
    for (const { path } of changed) writeFileSync(path, whole.get(path));
  }
}
/** Most changes are noticed next door, or by the tests of the same name or the folder’s; only for the others is everything asked that reaches them. */
const survives = async (file, { projects, built: isBuilt }) =>
  (!isBuilt || (await passesBuilt(file))) &&
  passes(
    projects,
    [
      '--testPathPatterns',
      `^${dirname(join(root, file))}/`,
      ...[basename(file).replace(/\.m?ts$/, ''), basename(dirname(file))].map((name) => `/${name}\\.test\\.`),
    ],
    patienceMs.near,
  ) &&
  passes(projects, ['--findRelatedTests', file], patienceMs.far);

/** Every change that could be made in a room. */
function changesIn(room) {
  const { folder } = rooms[room];
  return readdirSync(join(root, folder), { recursive: true })
    .map((name) => join(folder, name))
    .filter((file) => /\.m?ts$/.test(file) && !passedOver.test(file))
    .sort()
    .flatMap((file) =>
      changesOf(readFileSync(join(root, file), 'utf8'), file).map((change) => ({ room, file, ...change })),
    );
}

/** Makes one change, asks the tests, and puts the file back as it was. */
async function tried({ room, file, from, to, instead, what }) {
  const path = join(root, file);
  const text = readFileSync(path, 'utf8');
  const line = text.slice(0, from).split('\n').length;
  writeFileSync(path, text.slice(0, from) + instead + text.slice(to));
  try {
    return { room, place: `${file}:${line}  ${what}`, survived: await survives(file, rooms[room]) };
  } finally {
    writeFileSync(path, text);
  }
}

// One sample over all the rooms asked for: each stands in it with as many places as it has code.
const all = chosen.flatMap(changesIn);
const possible = all.length;
const chance = chanceFrom(Number(values.seed));
const before = Number(values.from) - 1;
const sample = Array.from(
  { length: Math.min(Number(values.count), possible) },
  () => all.splice(Math.floor(chance() * all.length), 1)[0],
).slice(before);
// Tests that fail as they are notice every change, and say nothing of any.
for (const room of chosen) {
  const file = sample.find((change) => change.room === room)?.file;
  if (file && !(await survives(file, rooms[room]))) {
    console.error(`The tests of ${room} fail with nothing changed (asked for ${file}). Mend them first.`);
    process.exit(1);
  }
}
const results = [];
for (const [i, change] of sample.entries()) {
  const begun = Date.now();
  const result = await tried(change);
  results.push(result);
  const seconds = Math.round((Date.now() - begun) / 1000);
  console.error(
    `${before + i + 1}/${before + sample.length}  ${result.survived ? 'survived' : 'noticed'}  ${result.place}  (${seconds} s)`,
  );
}
for (const room of chosen) {
  const own = results.filter((result) => result.room === room);
  const survivors = own.filter((result) => result.survived);
  const noticed = own.length - survivors.length;
  console.log(`${room}: ${noticed} of ${own.length} noticed (${Math.round((100 * noticed) / own.length)} %)`);
  for (const { place } of survivors) console.log(`  survived  ${place}`);
}
console.log(`a sample of ${sample.length} of ${possible} possible changes, seed ${values.seed}`);
await built?.building.dispose();
