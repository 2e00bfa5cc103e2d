import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      'dist/',
      '.cache/',
      '.expo/',
      'node_modules/',
      'assets/',
      '**/*.generated.js',
      'src/core/kernels/assembly/',
    ],
  },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true, varsIgnorePattern: '^_' }],
      'prefer-const': ['error', { destructuring: 'all' }],
    },
  },
  { files: ['**/*.{cjs,js}'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  { files: ['cli/**', 'server/**', 'tools/**', 'bench/**'], rules: { 'no-console': 'off' } },
  {
    // The core computes: no clock, no chance, no page, no storage.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'indexedDB',
        'performance',
        'fetch',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
    },
  },
);
