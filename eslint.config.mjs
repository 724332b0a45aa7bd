import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';
import plainEnglish from './scripts/lint/plainEnglish.mjs';

const tests = ['**/*.test.ts', '**/*.test.tsx', '**/testing/**', 'e2e/**', 'bench/**', 'scripts/**'];

export default ts.config(
  { ignores: ['packages/cli/serve/**', '**/dist/**', '**/dist-types/**', '**/migrations/**', 'data/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', 'scripts/**', 'bench/**'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        URL: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
      },
    },
    rules: { 'no-console': 'off' },
  },
  {
    files: ['packages/sample-game/**'],
    languageOptions: {
      globals: Object.fromEntries(
        [
          ...['addEventListener', 'crypto', 'document', 'EventSource', 'fetch', 'localStorage', 'location', 'Option'],
          ...['performance', 'requestAnimationFrame', 'setInterval', 'URLSearchParams'],
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: tests,
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'performance', 'setTimeout', 'crypto'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is an argument.' },
        { object: 'Date', property: 'now', message: 'Time is an argument.' },
        // Their last bits differ between engines; attempts must be equal bit for bit.
        ...['sin', 'cos', 'tan', 'exp', 'log', 'log2', 'log10', 'pow', 'hypot', 'atan2', 'cbrt'].map((property) => ({
          object: 'Math',
          property,
          message: 'Not equal bit for bit in every engine: use + - * / and sqrt.',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date']", message: 'Time is an argument.' },
        { selector: "BinaryExpression[operator='**']", message: 'Not equal bit for bit in every engine.' },
      ],
    },
  },
  {
    // Comments and names of tests: CONTRIBUTING.md says how they read.
    files: ['packages/*/src/**/*.{ts,tsx}', 'e2e/**/*.ts', 'bench/**/*.ts'],
    plugins: { stadion: { rules: { 'plain-english': plainEnglish } } },
    rules: { 'stadion/plain-english': 'error' },
  },
  // Tests break documents in ways that no type allows.
  { files: tests, rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  { files: ['packages/web/src/**/*.{ts,tsx}'], ...hooks.configs.flat.recommended },
  {
    files: ['packages/web/src/**/*.{ts,tsx}'],
    // A prop forgotten in the list would silently be the window's.
    rules: {
      'no-restricted-globals': [
        'error',
        'name',
        'open',
        'close',
        'top',
        'left',
        'length',
        'event',
        'status',
        'parent',
        'find',
        'stop',
        'print',
        'focus',
        'blur',
      ],
    },
  },
);
