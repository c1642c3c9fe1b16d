import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/.next/**',
      '.data/**',
      'core/src/generated/**',
      '**/next-env.d.ts',
      '**/*.d.mts',
      'store/migrations/**',
      '.dependency-cruiser.cjs',
    ],
  },
  ...tseslint.configs.strict,
  {
    // The core promises nothing: what asks for types looks at the rest.
    files: ['**/*.{ts,tsx}'],
    ignores: ['core/**'],
    languageOptions: { parserOptions: { project: './tsconfig.check.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  ...next.map((config) => ({ ...config, files: ['web/src/**/*.{ts,tsx}'] })),
  { settings: { next: { rootDir: 'web' }, react: { version: '19' } } },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', prefer: 'type-imports' },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['web/src/ui/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'next/link', message: 'Use @/ui/Link: it fetches ahead only where a hand is near.' }] },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Time comes in as an argument.' },
        { object: 'Math', property: 'random', message: 'Chance comes in as a seed.' },
      ],
    },
  },
  {
    // Runs on the audio thread, where its base class comes from; the rule below stumbles over classes of plain scripts.
    files: ['web/public/*.js'],
    languageOptions: { globals: { AudioWorkletProcessor: 'readonly', registerProcessor: 'readonly' } },
    rules: { '@typescript-eslint/no-useless-constructor': 'off' },
  },
);
