// How pieces are built for Jest to read: hundreds of modules read anew by every test file take longer than many a test.

/**
 * Names of the language itself. Jest runs a file in a context of its own, where every use of a global name is a question to
 * that context, and code that asks for `Math` in its inner loop takes twice as long as outside. As names of the module they
 * are asked for once. What tests put in the place of the real one (`Date`, `fetch`, timers) is not among them.
 */
const names =
  'Array ArrayBuffer BigInt Boolean DataView Error Float32Array Float64Array Infinity Int16Array Int32Array Int8Array Intl ' +
  'JSON Map Math NaN Number Object Promise Proxy RangeError Reflect RegExp Set String Symbol TypeError Uint16Array ' +
  'Uint32Array Uint8Array WeakMap WeakSet isFinite isNaN parseFloat parseInt';

/** What every such build shares. Packages that work things out come in, for they are slowed the same way. */
export const forJest = {
  bundle: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  external: ['@jest/globals', '@cfworker/json-schema'],
  keepNames: true,
  banner: { js: `const { ${names.split(' ').join(', ')} } = globalThis;` },
  logLevel: 'error',
};
