import { importersOf, projectFiles, reachedFrom } from './importGraph.mjs'

/** Tests and what they share may use anything. */
const IS_TEST = /\.(?:test|spec|bench)\.m?ts$|\.test\.mjs$|(?:^|\/)testing\/|^(?:e2e|bench)\//

/** The files that reach themselves by naming each other, in the order of their paths. */
const inCircles = (importers) =>
  [...importers.keys()].filter((path) => reachedFrom(importers.get(path), importers).has(path)).sort()

test('a circle of files is found, and what only leads to it or away from it is not in it', () => {
  const texts = {
    'core/a.ts': "import type { B } from './b.ts'",
    'core/b.ts': "import { c } from '@viatica/core/c.ts'",
    'core/c.ts': "const a = import('./a.ts')",
    'core/before.ts': "import './a.ts'\nimport './after.ts'",
    'core/after.ts': '',
  }
  const importers = importersOf(new Set(Object.keys(texts)), (path) => texts[path])
  expect(inCircles(importers)).toEqual(['core/a.ts', 'core/b.ts', 'core/c.ts'])
})

test('no files import each other in a circle, not even their types', () => {
  const files = new Set([...projectFiles()].filter((path) => !IS_TEST.test(path)))
  expect(inCircles(importersOf(files))).toEqual([])
})
