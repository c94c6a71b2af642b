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

/**
 * The folders of core, in the order of docs/architecture.md: each imports only from those before it. What stands around
 * the content is part of the plan; changes ask of addresses whether redirects hold.
 */
const CORE = [
  ...[
    'standard',
    'pointer',
    'plan',
    'plan/change',
    'address',
    'navigate',
    'page',
    'template',
    'render',
    'formats',
    'existing',
  ],
  'files',
  ...[
    'shape',
    'structure',
    'statistics',
    'inventory',
    'search',
    'starters',
    'compare',
    'content',
    'spelling',
  ],
  ...['check', 'walk', 'ripple', 'seen', 'publish', 'protocol'],
]
/** Names of attributes that are asked for by who looks for references. */
const OWN_LIST = {
  selector: 'Literal[value=/^(?:srcset|imagesrcset|formaction|xlink:href|poster|longdesc)$/]',
  message: 'Where references occur, core/pointer alone knows.',
}
/** Tables of names from outside are read by what knows that an object has names of its own. */
const TABLES = [
  {
    selector:
      ':matches(Program, ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator > Identifier.id ' +
      'TSTypeReference[typeName.name="Record"] > * > TSStringKeyword:first-child',
    message: 'What is asked for names from outside is a table of core/standard/table.ts.',
  },
  {
    selector: 'CallExpression[callee.object.name="v"][callee.property.name="record"]',
    message: 'Names of any kind are read by core/standard/record.ts.',
  },
]
const OUTSIDE_CORE = { group: ['node:*', 'vue', 'express', '@viatica/*'], message: 'Core stands on its own.' }

/**
 * What files that stand where a folder of core stands in the order may not import.
 * @param up what leads from them to the folders of core
 */
const limitsAt = (folder, up = '(?:\\./|(?:\\.\\./)+)') => {
  const at = CORE.indexOf(folder)
  const later = CORE.slice(at + 1).map((one) => one.replace('plan/', '(?:plan/)?'))
  const except = folder === 'plan/change' ? '(?!address/redirects\\.ts)' : ''
  const message = `core/${folder} imports from those above it in docs/architecture.md.`
  const patterns = [OUTSIDE_CORE]
  if (later.length > 0) patterns.push({ regex: `^${up}${except}(?:${later.join('|')})/`, message })
  // Of pieces, what they are belongs to the plan, what they show to rendering, what is to be warned of in them to the rules.
  if (at < CORE.indexOf('render')) patterns.push({ regex: `pieces/(?!.*[mM]odels?\\.ts$)`, message })
  if (at < CORE.indexOf('check')) patterns.push({ regex: `pieces/.*[wW]arnings\\.ts$`, message })
  return { 'no-restricted-imports': ['error', { patterns }] }
}

/** What the files of a folder of core may not import. */
const inOrder = (folder) => ({
  files: [`core/${folder}/**/*.ts`],
  ignores: [
    '**/*.test.ts',
    ...CORE.filter((one) => one.startsWith(`${folder}/`)).map((one) => `core/${one}/**`),
  ],
  rules: limitsAt(folder),
})

/** The files of pieces, each as those of the folder of core that it belongs to. */
const PIECES = [
  ['**/*odel?(s).ts', 'plan'],
  ['**/!(*odel|*odels|*arnings).ts', 'render'],
  ['**/*arnings.ts', 'check'],
].flatMap(([names, folder]) =>
  [
    ['*', '\\.\\./'],
    ['*/*', '\\.\\./\\.\\./'],
  ].map(([depth, up]) => ({
    files: [[`core/pieces/${depth}`, `core/pieces/${names}`]],
    ignores: ['**/*.test.ts'],
    rules: limitsAt(folder, up),
  })),
)

/** What the other parts may not import: imports go one way. */
const ONE_WAY = [
  ['web', ['@viatica/server/*', '@viatica/cli/*', '@viatica/demo/*', '@viatica/fonts/*']],
  ['server', ['@viatica/web/*', '@viatica/cli/*']],
  ['hosts', ['@viatica/web/*', '@viatica/server/*', '@viatica/cli/*', '@viatica/demo/*']],
  ['cli', ['@viatica/web/*', '@viatica/server/*']],
  ['demo', ['@viatica/web/*', '@viatica/server/*', '@viatica/cli/*']],
  ['fonts', ['@viatica/*']],
].map(([folder, group]) => ({
  files: [`${folder}/**/*.{ts,vue}`],
  ignores: ['**/*.test.ts', '**/testing/**'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ group, message: `${folder} does not import from there: see docs/architecture.md.` }] },
    ],
  },
}))

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
  { files: ['web/**/*.{ts,js}'], languageOptions: { globals: globals.browser } },
  { files: ['**/*.mjs', '*.js'], languageOptions: { globals: globals.node } },
  { files: ['**/*.test.mjs'], languageOptions: { globals: globals.jest } },
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_$' }],
      eqeqeq: 'error',
      'no-console': 'off',
      'object-shorthand': 'error',
    },
  },
  // Tests may be sure of what they made themselves.
  {
    files: ['**/*.test.ts', '**/testing/**', 'e2e/**', 'bench/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
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
      'no-restricted-syntax': ['error', ...TABLES, OWN_LIST],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core takes randomness from outside.' },
        { object: 'Date', property: 'now', message: 'Core takes the time from outside.' },
      ],
    },
  },
  { files: ['core/pointer/**/*.ts'], rules: { 'no-restricted-syntax': ['error', ...TABLES] } },
  {
    files: ['{web,server,cli,hosts}/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', OWN_LIST] },
  },
  ...CORE.map(inOrder),
  ...PIECES,
  ...ONE_WAY,
  prettier,
)
