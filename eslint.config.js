import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const environmentOnlyInConfig = {
  'no-restricted-properties': ['error', { object: 'process', property: 'env', message: 'Read the environment in server/config/ only.' }],
};

/**
 * How long a line, a file and a function may be. What is longer reads worse in parts: `longer` names the few, with the reason.
 * Strings stay whole, since words that are broken over lines are found by no search.
 */
const lengths = (functionLines) => ({
  'max-len': ['error', { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true }],
  'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
  'max-lines-per-function': ['error', { max: functionLines, skipBlankLines: true, skipComments: true, IIFEs: true }],
});
const longer = [
  'demo/render/renderClips.ts',
  'demo/scenario/practice.ts',
  'server/storage/s3Storage.ts',
  'web/app/router.tsx',
  'web/features/book/PrincipleForm.tsx',
  'web/features/book/PrincipleView.tsx',
  'web/features/bouts/BoutBlocks.tsx',
  'web/features/bouts/BoutForm.tsx',
  'web/features/bouts/BoutsEditor.tsx',
  'web/features/bouts/SecondCamera.tsx',
  'web/features/critique/editor/CritiqueEditor.tsx',
  'web/features/critique/editor/Phrases.tsx',
  'web/features/requests/send/ClientVideo.tsx',
  'web/features/sheet/RoundSheet.tsx',
];

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
      'default-case': 'error',
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
  { files: ['**/*.{ts,tsx,mjs}'], ignores: ['**/*.test.*', '**/testing/**', 'e2e/**', 'bench/**', ...longer], rules: lengths(80) },
  { files: ['demo/render/**', 'bench/**'], rules: { 'no-console': 'off' } },
);
