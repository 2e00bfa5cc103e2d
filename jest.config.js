// Kinds of checks: units beside the code, screens, references against the outside world, the built app in a browser, and in other engines.
// The same cases of every property in each run.
const seeded = { '^fast-check$': '<rootDir>/tests/seeded.cjs' };

const node = {
  testEnvironment: 'node',
  setupFilesAfterEnv: ['<rootDir>/tests/equal.ts'],
  transform: { '\\.[cm]?[jt]sx?$': '<rootDir>/tools/jest-transform.cjs' },
  moduleNameMapper: seeded,
  transformIgnorePatterns: [
    '/node_modules/(?!(client-zip|fast-png|iobuffer|@react-native-async-storage|idb|@noble/hashes)/)',
  ],
};

/** Screens and hooks, drawn in a page without a browser. */
const screens = {
  preset: 'jest-expo/web',
  displayName: 'screens',
  testEnvironment: '<rootDir>/tests/screens/environment.cjs',
  testMatch: ['<rootDir>/{src,app}/**/*.test.tsx'],
  setupFiles: ['<rootDir>/tests/screens/page.ts'],
  transform: { '\\.[jt]sx?$': '<rootDir>/tools/jest-transform.cjs' },
  // What else has modules of the new kind only.
  transformIgnorePatterns: [
    '/node_modules/(?!(expo|@expo|react-native|@react-native|idb|client-zip|@noble/hashes)[^/]*/)',
  ],
  moduleNameMapper: {
    ...seeded,
    '^react-native$': 'react-native-web',
    '^expo-router$': '<rootDir>/tests/screens/router.ts',
    '^@react-native-async-storage/async-storage$': '<rootDir>/tests/screens/storage.ts',
    '/simulated/simulated$': '<rootDir>/tests/screens/camera.ts',
    '/staff$': '<rootDir>/tests/screens/staff.ts',
    '^comlink$': '<rootDir>/tests/screens/comlink.ts',
  },
};

module.exports = {
  // A slow machine is no failure: what hangs is ended by it all the same. Whole sweeps are one test each.
  testTimeout: process.env.VELMO_LONG === '1' ? 3_600_000 : 300_000,
  testSequencer: '<rootDir>/tools/longest-first.cjs',
  projects: [
    { ...node, displayName: 'engines', testMatch: ['<rootDir>/tests/engines/**/*.test.ts'] },
    { ...node, displayName: 'units', testMatch: ['<rootDir>/{src,cli,server,tools,bench}/**/*.test.ts'] },
    screens,
    { ...node, displayName: 'reference', testMatch: ['<rootDir>/tests/reference/**/*.test.ts'] },
    {
      ...node,
      displayName: 'e2e',
      testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'],
      globalSetup: '<rootDir>/tests/e2e/stage-setup.ts',
      globalTeardown: '<rootDir>/tests/e2e/stage-teardown.ts',
    },
  ],
};
