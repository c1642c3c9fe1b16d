import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

// Where `bin/test` builds the core's own tests. Jest wants every folder it is told of, whichever project is asked for.
mkdirSync(fileURLToPath(new URL('.data/jest-core-tests', import.meta.url)), { recursive: true });

/** One configuration for all unit and database tests; `bin/test` picks the projects. */
const shared = {
  testEnvironment: 'node',
  setupFilesAfterEnv: ['<rootDir>/scripts/jestPatience.mjs'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          experimental: { keepImportAttributes: true },
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
};

/** The core in one piece, for whatever stands on it. */
const onCore = {
  globalSetup: '<rootDir>/scripts/jestCore.mjs',
  moduleNameMapper: {
    '^@holotonos/core$': '<rootDir>/.data/jest-core/index.js',
    '^@holotonos/core/(.*)$': '<rootDir>/.data/jest-core/$1/index.js',
    '^(drizzle-orm.*)$': '<rootDir>/.data/jest-core/packages/$1.js',
  },
};
/** Web's own address for its sources, and the guard against the browser that only a bundler understands. */
const webNames = {
  ...onCore.moduleNameMapper,
  '^@/(.*)$': '<rootDir>/web/src/$1',
  '^(@testing-library/react|react-bootstrap/.*)$': '<rootDir>/.data/jest-core/packages/$1.js',
  '^server-only$': '<rootDir>/web/tests/nothing.ts',
};

/** What depends on the clock of the machine is run in several zones, on its own. */
const clock = '\\.clock\\.test\\.tsx?$';
const ordinary = { ...shared, testPathIgnorePatterns: ['/node_modules/', clock] };

const config = {
  projects: [
    { ...ordinary, displayName: 'core', roots: ['<rootDir>/core'] },
    {
      ...ordinary,
      displayName: 'core-built',
      roots: ['<rootDir>/.data/jest-core-tests'],
    },
    { ...ordinary, ...onCore, displayName: 'store', roots: ['<rootDir>/store'] },
    { ...ordinary, ...onCore, displayName: 'gauges', roots: ['<rootDir>/gauges'] },
    {
      ...ordinary,
      ...onCore,
      displayName: 'web',
      roots: ['<rootDir>/web/src', '<rootDir>/web/tests'],
      moduleNameMapper: webNames,
    },
    { ...ordinary, ...onCore, displayName: 'cli', roots: ['<rootDir>/bin'] },
    {
      ...shared,
      ...onCore,
      displayName: 'clock',
      roots: ['<rootDir>/core', '<rootDir>/store', '<rootDir>/web/src'],
      testRegex: clock,
      moduleNameMapper: webNames,
    },
    { ...ordinary, ...onCore, displayName: 'browser', roots: ['<rootDir>/web/e2e'] },
  ],
};

export default config;
