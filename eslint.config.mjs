import { createRequire } from 'node:module';
import prettier from 'eslint-config-prettier';

const require = createRequire(import.meta.url);
const expo = require('eslint-config-expo/flat');

export default [
  {
    ignores: [
      'dist/**',
      'data/**',
      '**/.expo/**',
      '**/expo-env.d.ts',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...expo,
  prettier,
  {
    settings: {
      'import/resolver': { typescript: { project: ['packages/*/tsconfig.json', 'tsconfig.json'] } },
    },
    rules: {
      eqeqeq: ['error', 'always'],
      'no-console': 'off',
      'import/no-unresolved': 'off',
      'import/no-named-as-default-member': 'off',
      'import/no-cycle': ['error', { maxDepth: 6 }],
      'react/no-unescaped-entities': 'off',
    },
  },
  {
    files: ['packages/server/**', 'scripts/**', '*.mjs', '*.cjs'],
    languageOptions: {
      globals: { Buffer: 'readonly', process: 'readonly', fetch: 'readonly', console: 'readonly' },
    },
    rules: { 'expo/no-env-var-destructuring': 'off' },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: ['@holvek/*', 'node:*', 'react*', 'expo*'] }] },
  },
  {
    files: ['packages/core/src/**/*.test.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    files: ['packages/app/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: ['@holvek/server*', '@holvek/core/src/*', '**/packages/*'],
          paths: ['lucide-react-native', 'date-fns'],
        },
      ],
    },
  },
];
