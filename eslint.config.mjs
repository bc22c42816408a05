import { createRequire } from 'node:module';
import prettier from 'eslint-config-prettier';

const require = createRequire(import.meta.url);
const expo = require('eslint-config-expo/flat');

/** Sizes that `CONTRIBUTING.md` explains: met by splitting, never by squeezing. */
const sizes = {
  'max-lines': ['error', { max: 300 }],
  'max-lines-per-function': ['error', { max: 80 }],
  'max-params': ['error', 4],
  complexity: ['error', 15],
};

/** Expo's rules of a name, turned off. */
const off = (named) =>
  Object.fromEntries(
    expo
      .flatMap(({ rules = {} }) => Object.keys(rules))
      .filter((name) => named.test(name))
      .map((name) => [name, 'off']),
  );

/** What only types can tell is in `.oxlintrc.json`: it reads them by the native compiler, in a tenth of the time. */
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
    // There is no component outside the app: what judges them would only read all the rest.
    ignores: ['packages/app/**'],
    rules: off(/^react(?:-hooks)?\//u),
  },
  {
    // What compiles each component to judge it is asked about those that go to the phone.
    files: ['packages/app/**/*.test.{ts,tsx}', 'packages/app/src/testing/**'],
    rules: off(/^react-hooks\/(?!rules-of-hooks|exhaustive-deps)/u),
  },
  {
    settings: {
      'import/resolver': {
        typescript: { project: ['packages/{app,core}/tsconfig.json', 'tsconfig.json'] },
      },
    },
    rules: {
      eqeqeq: ['error', 'always'],
      'no-console': 'off',
      // The compiler holds these, or the other linter, in a tenth of the time.
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-unused-vars': 'off',
      'import/no-duplicates': 'off',
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/export': 'off',
      'import/no-named-as-default-member': 'off',
      'import/no-named-as-default': 'off',
      'react/no-unescaped-entities': 'off',
    },
  },
  {
    files: ['packages/**/*.{ts,tsx}', 'e2e/**/*.ts', 'scripts/**/*.{ts,mjs}'],
    rules: sizes,
  },
  {
    // A procedure and the demo's scenario are read from top to bottom, like the lists they are.
    files: ['packages/core/src/family/*/steps.ts', 'packages/server/src/seed/**'],
    rules: { 'max-lines': 'off' },
  },
  {
    // A template is one list of rungs and one of rules: nothing in it is worked out.
    files: ['packages/core/src/ladder/template/*.ts'],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    // A twin's closure holds the state of one device.
    files: ['packages/core/src/family/*/twin.ts'],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    files: ['**/*.test.{ts,tsx}', '**/*.spec.ts', '**/testing/**'],
    // A table of cases hands as many values to its test as a case has.
    rules: { 'max-lines': 'off', 'max-lines-per-function': 'off', 'max-params': 'off' },
  },
  {
    files: ['packages/server/**', 'scripts/**', '*.mjs', '*.cjs'],
    languageOptions: {
      globals: {
        Buffer: 'readonly',
        process: 'readonly',
        fetch: 'readonly',
        console: 'readonly',
        __filename: 'readonly',
      },
    },
    rules: { 'expo/no-env-var-destructuring': 'off' },
  },
  {
    // Read before anything is installed: a package that they need is asked for once it is there.
    files: ['scripts/{browser,build,demo,dev,e2e-server,lib,start,test}.mjs'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!node:|\\./(browser|lib)\\.mjs$)' }] },
      ],
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: ['@holvek/*', 'node:*', 'react*', 'expo*'] }],
    },
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
          paths: ['lucide-react-native', 'date-fns', 'tamagui'],
        },
      ],
    },
  },
  {
    // Whoever needs to know what a valve can do asks its plate or its family's facts, never its name.
    files: ['packages/**/*.{ts,tsx}', 'scripts/**/*.ts', 'e2e/**/*.ts'],
    ignores: ['packages/core/src/family/**', '**/*.test.{ts,tsx}', '**/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "BinaryExpression[operator=/^[!=]==$/]:has(> MemberExpression[property.name='family']):has(> Literal)",
          message: 'Ask the plate or the family’s facts, not its name.',
        },
        {
          selector:
            "BinaryExpression[operator=/^[!=]==$/]:has(> Identifier[name='family']):has(> Literal)",
          message: 'Ask the plate or the family’s facts, not its name.',
        },
        {
          selector: "SwitchStatement > MemberExpression.discriminant[property.name='family']",
          message: 'Ask the plate or the family’s facts, not its name.',
        },
      ],
    },
  },
];
