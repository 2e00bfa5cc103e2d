// Three kinds of checks: units beside the code, references against the outside world, and the built app in a browser.
const node = {
  testEnvironment: 'node',
  // Types and modules only: functions that tests send into a page must arrive as they are written.
  transform: {
    '\\.[jt]sx?$': [
      'babel-jest',
      {
        configFile: false,
        presets: ['@babel/preset-typescript'],
        plugins: [
          require.resolve('./tools/local-globals.cjs'),
          require.resolve('./tools/import-meta.cjs'),
          '@babel/plugin-transform-modules-commonjs',
          '@babel/plugin-transform-dynamic-import',
        ],
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(client-zip|fast-png|iobuffer|@react-native-async-storage|idb|@noble/hashes)/)',
  ],
};

module.exports = {
  // A slow machine is no failure: what hangs is ended by it all the same.
  testTimeout: 30_000,
  testSequencer: '<rootDir>/tools/longest-first.cjs',
  projects: [
    { ...node, displayName: 'units', testMatch: ['<rootDir>/{src,cli,server,tools,bench}/**/*.test.ts'] },
    { ...node, displayName: 'reference', testMatch: ['<rootDir>/tests/reference/**/*.test.ts'] },
    { ...node, displayName: 'e2e', testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'] },
  ],
};
