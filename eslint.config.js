import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import * as regexp from 'eslint-plugin-regexp'
import globals from 'globals'
import ts from 'typescript-eslint'

/** The parts of the house that core may not know of: no DOM, no Node API, no clock, no randomness. */
const IMPURE = [
  'window',
  'document',
  'navigator',
  'fetch',
  'process',
  'Buffer',
  'URL',
  'setTimeout',
  'crypto',
]

export default ts.config(
  { ignores: ['**/dist/', '.viatica/', 'test-results/', 'web/public/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { globals: globals.browser, parserOptions: { parser: ts.parser } },
    rules: { 'vue/multi-word-component-names': 'off' },
  },
  { files: ['web/**/*.ts'], languageOptions: { globals: globals.browser } },
  { files: ['**/*.mjs', '*.js'], languageOptions: { globals: globals.node } },
  { files: ['**/*.test.mjs'], languageOptions: { globals: globals.jest } },
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_$' }],
      eqeqeq: 'error',
      'no-console': 'off',
      'object-shorthand': 'error',
    },
  },
  {
    // Patterns that take quadratic time, or worse, over a text that is made for it.
    plugins: { regexp },
    ignores: ['**/*.test.ts', '**/*.spec.ts'],
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignoreSticky: false }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/testing/**'],
    rules: {
      'no-restricted-globals': ['error', ...IMPURE],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core takes randomness from outside.' },
        { object: 'Date', property: 'now', message: 'Core takes the time from outside.' },
      ],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['node:*', 'vue', 'express', '@viatica/*'], message: 'Core stands on its own.' },
          ],
        },
      ],
    },
  },
  prettier,
)
