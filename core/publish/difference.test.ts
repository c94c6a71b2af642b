import fc from 'fast-check'
import { folderKeys } from '../standard/fileName.ts'
import { differenceOf, isNothing } from './difference.ts'
import type { HostFile } from './publication.ts'
import { stagesOf } from './steps.ts'

/** The files of a host: few paths, pages and contents, so that all of them come back, move and change places. */
const arbitraryFiles: fc.Arbitrary<HostFile[]> = fc
  .uniqueArray(
    fc.record({
      path: fc.constantFrom(
        'index.html',
        'index.htm',
        'a.html',
        'b.html',
        'A.html',
        'c',
        'c/d.html',
        'c/e/f.html',
        'x.css',
      ),
      digest: fc.constantFrom('1', '2', '3'),
      role: fc.constantFrom('page' as const, 'redirect' as const, 'file' as const),
      page: fc.constantFrom('p', 'q', 'r', 's', 't', 'u', 'v', 'w', 'x'),
    }),
    { selector: ({ path }) => path },
  )
  .map((files) => {
    const pages = new Set<string>()
    return files.flatMap(({ page, role, ...rest }): HostFile[] => {
      if (role !== 'page') return [{ ...rest, role, page: null, size: 1 }]
      if (pages.has(page)) return []
      pages.add(page)
      return [{ ...rest, role, page, size: 1 }]
    })
  })
  // A path is a file or a folder.
  .filter((files) => {
    const paths = new Set(files.map(({ path }) => path))
    return !files.some(({ path }) => [...folderKeys(path)].some((folder) => paths.has(folder)))
  })
const byPath = (files: readonly HostFile[]) => new Map(files.map(({ path, digest }) => [path, digest]))

test('what differs is told once, and what is the same is told of nowhere', () => {
  fc.assert(
    fc.property(arbitraryFiles, arbitraryFiles, (before, after) => {
      const { added, changed, moved, deleted, same } = differenceOf(before, after)
      const [was, will] = [byPath(before), byPath(after)]
      const told = new Set([
        ...[...added, ...deleted].map(({ path }) => path),
        ...changed.map((one) => one.after.path),
        ...moved.flatMap((one) => [one.before.path, one.after.path]),
      ])
      for (const path of new Set([...was.keys(), ...will.keys()]))
        if (was.get(path) !== will.get(path)) expect(told).toContain(path)
      expect(same).toBe(after.filter(({ path, digest }) => was.get(path) === digest).length)
      expect(added.length + changed.length).toBeLessThanOrEqual(after.length - same)
      for (const one of moved) expect(one.before.page).toBe(one.after.page)
      for (const { path } of deleted) expect(will.has(path)).toBe(false)
      const isSame = was.size === will.size && [...was].every(([path, digest]) => will.get(path) === digest)
      if (isNothing({ added, changed, moved, deleted, same })) expect(isSame).toBe(true)
      expect(isNothing(differenceOf(after, after))).toBe(true)
    }),
    { numRuns: 1000 },
  )
})

test('a page with a new address is moved, and its redirect is told with it', () => {
  const page = (path: string): HostFile => ({ path, digest: path, size: 1, role: 'page', page: 'p' })
  const redirect: HostFile = { path: 'old.html', digest: 'r', size: 1, role: 'redirect', page: null }
  expect(differenceOf([page('old.html')], [page('new.html'), redirect])).toEqual({
    added: [],
    changed: [],
    moved: [{ before: page('old.html'), after: page('new.html') }],
    deleted: [],
    same: 0,
  })
})

test('the steps of any difference end in what is wanted, and at no moment need a file where a folder is', () => {
  fc.assert(
    fc.property(arbitraryFiles, arbitraryFiles, fc.boolean(), (before, after, foldsCase) => {
      const key = (path: string) => (foldsCase ? path.toLowerCase() : path)
      const isUnique = (files: readonly HostFile[]) =>
        new Set(files.map(({ path }) => key(path))).size === files.length
      fc.pre(isUnique(before) && isUnique(after))
      const host = new Map(before.map(({ path, digest }) => [key(path), digest]))
      for (const step of stagesOf(before, after, foldsCase).flat()) {
        if (step.do === 'remove') expect(host.delete(key(step.path))).toBe(true)
        else {
          const path = key(step.file.path)
          expect([...folderKeys(path)].some((folder) => host.has(folder))).toBe(false)
          expect([...host.keys()].some((one) => one.startsWith(`${path}/`))).toBe(false)
          host.set(path, step.file.digest)
        }
      }
      expect(host).toEqual(new Map(after.map(({ path, digest }) => [key(path), digest])))
    }),
    { numRuns: 1000 },
  )
})
