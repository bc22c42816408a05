/** Where the whole run has put the core in one file; each part of it stands there under one name. */
const core = process.env.CORE_FOR_TESTS;
const inOne = core ? { '^@holvek/core(/.*)?$': core } : {};

/** Modules that want nothing of a browser, with the globals of arithmetic bound once a file. */
const plain = require.resolve('./scripts/jest-node-transform.cjs');

const node = (name) => ({
  displayName: name,
  rootDir: `packages/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  moduleNameMapper: name === 'core' ? {} : inOne,
  transform: { '^.+\\.[cm]?[jt]sx?$': plain },
  transformIgnorePatterns: ['/node_modules/(?!(@noble|@holvek|uuid|d3-[a-z-]+|internmap)/)'],
});

/** Packages that ship what Node cannot run as it is. */
const toTransform = [
  '(jest-)?react-native(?!-web|-svg)',
  '@react-native(-community)?',
  'expo(nent)?',
  '@expo(nent)?/.*',
  '@expo-google-fonts/.*',
  '@tamagui/.*',
  'tamagui',
  'standard-navigation',
  '@noble',
  'uuid',
  'idb',
  'd3-[a-z-]+',
  'internmap',
  '@holvek',
];

/** Of these, what is plain JavaScript: modules and nothing else. */
const plainPackages = '/node_modules/(@tamagui|@noble|uuid|idb|d3-[a-z-]+|internmap)/.*\\.js$';

/** What we write: only a test, which may put another module in the place of one, wants more. */
const ownOfApp = '/packages/app/(src|app)/.*(?<!\\.test)\\.tsx?$';

const web = '<rootDir>/../../node_modules/react-native-web/dist/cjs';

/** One run, three places: core and server on Node, the app on the web preset. */
module.exports = {
  // A whole screen under jsdom takes seconds on a busy machine; a test that hangs is still ended.
  testTimeout: 30_000,
  projects: [
    node('core'),
    node('paper'),
    { ...node('server'), setupFilesAfterEnv: ['<rootDir>/jest.setup.cjs'] },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      rootDir: 'packages/app',
      testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
      moduleNameMapper: {
        ...inOne,
        // Where our own files say react-native, and packages what it is on the web.
        '^react-native(-web(/dist/index)?)?$': `${web}/index.js`,
        '^react-native-web/dist/(exports/.*)$': `${web}/$1`,
        '^@/(.*)$': '<rootDir>/src/$1',
        // The preset leaves .mjs as it is: the packages of d3 ship a plain build beside it.
        '^(d3-[a-z-]+|internmap)$': '<rootDir>/../../node_modules/$1/dist/$1.js',
      },
      transform: {
        '/packages/core/src/.*\\.ts$': plain,
        [ownOfApp]: plain,
        [plainPackages]: plain,
      },
      setupFiles: ['<rootDir>/jest.setup.js'],
      testEnvironmentOptions: { customExportConditions: ['require', 'default'] },
      transformIgnorePatterns: [`node_modules/(?!(${toTransform.join('|')})/?)`],
    },
  ],
};
