import { importersOf, namedFiles, reachedFrom } from './importGraph.mjs'
import { selectAffected, selectNamed } from './selection.mjs'

/** A small project: file name to text. */
const PROJECT = {
  'core/plan/plan.ts': '',
  'core/plan/plan.test.ts': "import { plan } from './plan.ts'",
  'core/menu.ts': "import { plan } from './plan/plan.ts'",
  'core/menu.test.ts': "import { menu } from './menu.ts'",
  'core/other.test.ts': '',
  'server/testing/database.ts': '',
  'server/store.test.ts':
    "import { makeDatabase } from './testing/database.ts'\nimport '@viatica/core/menu.ts'",
  'server/threads/read.mjs': '',
  'server/threads/workshop.ts': "new URL('./read.mjs', import.meta.url)",
  'server/threads/workshop.test.ts': "import { Workshop } from './workshop.ts'",
  'web/stores/chosen.ts': "import '@viatica/core/plan/plan.ts'",
  'web/stores/chosen.test.ts': "await import('./chosen.ts')",
  'web/parts/Page.vue': '<style src="./page.css"></style>\n<script setup>import \'./live.js?raw\'</script>',
  'web/parts/page.css': '',
  'web/parts/live.js': '',
  'web/parts/page.test.ts': "import Page from './Page.vue'",
  'demo/pages/lock.png': '',
  'demo/demo.test.ts': '',
  'e2e/plan.spec.ts': "import { open } from './open.ts'",
  'e2e/open.ts': '',
  'cli/main.ts': '',
  'cli/testing/viatica.ts': "spawn('node', ['cli/dist/main.mjs'])",
  'cli/build.test.ts': "import { viatica } from './testing/viatica.ts'",
  'README.md': '',
  'package-lock.json': '',
  'jest.config.mjs': '',
}
const FILES = new Set(Object.keys(PROJECT))
const read = (path) => PROJECT[path]
const affectedBy = (...changed) => {
  const { inThreads, withStandIns, specs } = selectAffected(changed, [], FILES, read)
  return [...inThreads, ...withStandIns, ...specs]
}

test('a file names others by imports, workers, styles and packages of the project', () => {
  expect([...namedFiles('server/threads/workshop.ts', PROJECT['server/threads/workshop.ts'], FILES)]).toEqual(
    ['server/threads/read.mjs'],
  )
  expect([...namedFiles('web/parts/Page.vue', PROJECT['web/parts/Page.vue'], FILES)]).toEqual([
    'web/parts/page.css',
    'web/parts/live.js',
  ])
  expect(importersOf(FILES, read).get('core/menu.ts')).toEqual(['core/menu.test.ts', 'server/store.test.ts'])
})

test('files that name each other are followed once', () => {
  const importers = new Map([
    ['a', ['b']],
    ['b', ['a', 'c']],
  ])
  expect([...reachedFrom(['a'], importers)]).toEqual(['a', 'b', 'c'])
})

test.each([
  [
    'a leaf of the application',
    ['core/menu.ts'],
    ['core/menu.test.ts', 'server/store.test.ts', 'e2e/plan.spec.ts'],
  ],
  ['a thread', ['server/threads/read.mjs'], ['server/threads/workshop.test.ts', 'e2e/plan.spec.ts']],
  ['a style', ['web/parts/page.css'], ['web/parts/page.test.ts', 'e2e/plan.spec.ts']],
  ['a program that is built', ['cli/main.ts'], ['cli/build.test.ts']],
  ['a test', ['core/menu.test.ts'], ['core/menu.test.ts']],
  ['a helper of tests', ['server/testing/database.ts'], ['server/store.test.ts']],
  ['a helper of browser tests', ['e2e/open.ts'], ['e2e/plan.spec.ts']],
  ['a document', ['README.md'], []],
  ['a picture that no source names', ['demo/pages/lock.png'], ['demo/demo.test.ts', 'e2e/plan.spec.ts']],
])('%s affects the tests that reach it', (_, changed, expected) => {
  expect(affectedBy(...changed).sort()).toEqual([...expected].sort())
})

test.each(['package-lock.json', 'jest.config.mjs'])('%s affects every test', (path) => {
  expect(affectedBy(path)).toHaveLength([...FILES].filter((path) => /\.(?:test|spec)\.ts$/.test(path)).length)
})

test('a deleted file affects what still names it', () => {
  const files = new Set(FILES)
  files.delete('core/menu.ts')
  const { inThreads } = selectAffected(['core/menu.ts'], [], files, read)
  expect(inThreads).toEqual(['core/menu.test.ts', 'server/store.test.ts'])
})

test('paths limit what an edit affects', () => {
  const { inThreads, specs } = selectAffected(['core/menu.ts'], ['core'], FILES, read)
  expect([inThreads, specs]).toEqual([['core/menu.test.ts'], []])
})

test('named files and folders run with what they need', () => {
  expect(selectNamed(['core/'], FILES, read)).toEqual({
    inThreads: ['core/menu.test.ts', 'core/other.test.ts', 'core/plan/plan.test.ts'],
    withStandIns: [],
    specs: [],
    needsBuild: false,
    needsDatabase: false,
  })
  expect(selectNamed(['./server/store.test.ts', 'web/stores'], FILES, read)).toEqual({
    inThreads: ['server/store.test.ts'],
    withStandIns: ['web/stores/chosen.test.ts'],
    specs: [],
    needsBuild: false,
    needsDatabase: true,
  })
  for (const [path, needsDatabase] of [
    ['e2e/plan.spec.ts', true],
    ['cli/build.test.ts', false],
  ])
    expect(selectNamed([path], FILES, read)).toMatchObject({ needsBuild: true, needsDatabase })
  expect(() => selectNamed(['core/men'], FILES, read)).toThrow('No test file at core/men')
})
