/** One configuration for all unit and database tests; `bin/test` picks the projects. */
const shared = {
  testEnvironment: 'node',
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

const config = {
  projects: [
    { ...shared, displayName: 'core', roots: ['<rootDir>/core'] },
    { ...shared, displayName: 'store', roots: ['<rootDir>/store'] },
    { ...shared, displayName: 'gauges', roots: ['<rootDir>/gauges'] },
    { ...shared, displayName: 'web', roots: ['<rootDir>/web/src'] },
    { ...shared, displayName: 'cli', roots: ['<rootDir>/bin'] },
    { ...shared, displayName: 'browser', roots: ['<rootDir>/web/e2e'] },
  ],
};

export default config;
