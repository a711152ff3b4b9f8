import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const environmentOnlyInConfig = {
  'no-restricted-properties': ['error', { object: 'process', property: 'env', message: 'Read the environment in server/config/ only.' }],
};

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.data/', '.tmp/', 'docs/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      ...environmentOnlyInConfig,
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // Core computes on plain data: what the time is and what chance says are its parameters (architecture, habit 5).
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Time is a parameter in core.' },
        { object: 'Math', property: 'random', message: 'Randomness is a parameter in core.' },
      ],
    },
  },
  {
    files: ['server/config/**', 'server/testing/**', '**/*.test.ts', 'e2e/**', 'bench/**', '**/vitest.*.ts'],
    rules: { 'no-restricted-properties': 'off' },
  },
  { files: ['web/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  { files: ['scripts/**', '*.{js,cjs,mjs}', '.dependency-cruiser.cjs'], languageOptions: { globals: globals.node } },
  { files: ['demo/render/**', 'bench/**'], rules: { 'no-console': 'off' } },
);
