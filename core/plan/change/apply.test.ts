import fc from 'fast-check'
import * as v from 'valibot'
import { readOpml } from '../../formats/opml.ts'
import { arbitraryPick, arbitrarySite, changeOfPick } from '../../testing/arbitrarySite.ts'
import { childrenOf, MAX_LEVELS, type Plan, walk } from '../plan.ts'
import type { Site } from '../site.ts'
import { applyChange } from './apply.ts'
import { type Change, changeSchema } from './change.ts'
import { ChangeRefused } from './refused.ts'
import { changeWords } from './changeWords.ts'

const site = readOpml(`<opml version="2.0"><head><title>T</title></head><body><outline text="Home">
  <outline text="Visit"><outline text="Times"/></outline><outline text="Boats"/>
  <outline text="Shop" type="link" url="https://shop.example.org/"/></outline></body></opml>`)

/** A plan as plain nested data, for comparing. */
const flat = ({ plan, settings, files }: Site) => ({
  settings,
  files: [...files].sort(),
  entries: [...walk(plan)].map(({ entry, depth }) => ({ depth, entry })),
})

function checkSound(plan: Plan): void {
  const walked = [...walk(plan)].map(({ entry }) => entry.id)
  expect(new Set(walked).size).toBe(walked.length)
  expect(walked.length).toBe(plan.entries.size)
  for (const [parent, children] of plan.children) {
    expect(children.length).toBeGreaterThan(0)
    for (const child of children) expect(plan.parents.get(child)).toBe(parent)
  }
}

describe('changes', () => {
  test('the inverse of any change restores the site exactly, over random sequences', () => {
    fc.assert(
      fc.property(arbitrarySite(12), fc.array(arbitraryPick, { maxLength: 20 }), (start, picks) => {
        let now = start
        const back: Change[] = []
        picks.forEach((pick, at) => {
          const change = changeOfPick(now.plan, pick, at)
          const before = flat(now)
          try {
            const applied = applyChange(now, change)
            expect(flat(now)).toEqual(before)
            checkSound(applied.site.plan)
            now = applied.site
            back.push(applied.inverse)
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
            expect(flat(now)).toEqual(before)
          }
        })
        for (const inverse of back.reverse()) now = applyChange(now, inverse).site
        expect(flat(now)).toEqual(flat(start))
      }),
    )
  })

  test('what a change does not touch stays the same object', () => {
    const after = applyChange(site, { kind: 'setEntry', entry: 'boats', field: 'title', value: 'Ships' }).site
    expect(after.plan.entries.get('visit')).toBe(site.plan.entries.get('visit'))
    expect(after.plan.children).toBe(site.plan.children)
    expect(after.settings).toBe(site.settings)
  })

  test.each<[string, Change, RegExp]>([
    ['a move under itself', { kind: 'move', entry: 'visit', parent: 'times', place: 0 }, /under itself/],
    [
      'a move of the home page',
      { kind: 'move', entry: 'home', parent: 'visit', place: 0 },
      /root of the plan/,
    ],
    ['removing the home page', { kind: 'remove', entries: ['home'] }, /root of the plan/],
    ['a move under a link', { kind: 'move', entry: 'boats', parent: 'shop', place: 0 }, /is a link/],
    ['an entry that is gone', { kind: 'setEntry', entry: 'gone', field: 'note', value: '' }, /no longer/],
    [
      'a group without a label',
      { kind: 'setEntry', entry: 'shop', field: 'label', value: '' },
      /needs a label/,
    ],
    [
      'a field of another kind',
      { kind: 'setEntry', entry: 'shop', field: 'title', value: 'x' },
      /has no title/,
    ],
    [
      'a home page left out',
      { kind: 'setEntry', entry: 'home', field: 'state', value: 'planned' },
      /home page/,
    ],
    [
      'a picture that is not there',
      { kind: 'setSite', field: 'logo', value: { file: 'gone', alt: '' } },
      /no longer/,
    ],
    ['removing a file that is not there', { kind: 'removeFile', file: 'gone' }, /no longer/],
  ])('refuses %s with the reason', (_, change, reason) => {
    expect(() => applyChange(site, change)).toThrow(ChangeRefused)
    expect(() => applyChange(site, change)).toThrow(reason)
  })

  test('a batch is made whole or not at all', () => {
    const batch: Change = {
      kind: 'batch',
      changes: [
        { kind: 'remove', entries: ['boats'] },
        { kind: 'remove', entries: ['gone'] },
      ],
    }
    expect(() => applyChange(site, batch)).toThrow(ChangeRefused)
    expect(site.plan.entries.has('boats')).toBe(true)
  })

  test('a place past the end means last', () => {
    const after = applyChange(site, { kind: 'move', entry: 'visit', parent: 'home', place: 99 }).site
    expect(childrenOf(after.plan, 'home')).toEqual(['boats', 'shop', 'visit'])
  })

  test('a plan can be no deeper than its limit', () => {
    let deep = site
    let parent = 'home'
    const add = (at: number) => {
      const branch = {
        id: `d${at}`,
        kind: 'group' as const,
        label: 'x',
        fileName: '',
        note: '',
        inMenu: true,
        entries: [],
      }
      deep = applyChange(deep, { kind: 'add', parent, place: 0, branches: [branch] }).site
      parent = branch.id
    }
    for (let at = 1; at < MAX_LEVELS; at++) add(at)
    expect(() => add(MAX_LEVELS)).toThrow(/at most/)
  })

  test('are told in the author’s words', () => {
    expect(changeWords(site, { kind: 'setEntry', entry: 'boats', field: 'title', value: 'Ships' })).toBe(
      '“Boats” renamed “Ships”',
    )
    expect(changeWords(site, { kind: 'remove', entries: ['visit'] })).toBe(
      '“Visit” and the entry under it removed',
    )
    expect(changeWords(site, { kind: 'move', entry: 'times', parent: 'boats', place: 0 })).toBe(
      '“Times” moved under “Boats”',
    )
  })
})

describe('changes from outside', () => {
  const pathOf = (change: unknown) => {
    const result = v.safeParse(changeSchema, change)
    return result.success ? undefined : (v.getDotPath(result.issues[0]) ?? '')
  }

  test.each<[unknown, string]>([
    [{ kind: 'nonsense' }, 'kind'],
    [{ kind: 'remove' }, 'entries'],
    [{ kind: 'remove', entries: ['__proto__'] }, 'entries.0'],
    [{ kind: 'remove', entries: ['a'], extra: 1 }, 'extra'],
    [{ kind: 'move', entry: 'a', parent: 'b', place: -1 }, 'place'],
    [{ kind: 'setEntry', entry: 'a', field: 'id', value: 'b' }, 'field'],
    [{ kind: 'setEntry', entry: 'a', field: 'state', value: 'done' }, 'value'],
    [{ kind: 'setEntry', entry: 'a', field: 'title', value: ' ' }, 'value'],
    [{ kind: 'setEntry', entry: 'a', field: 'title', value: 'a\u0000b' }, 'value'],
    [{ kind: 'setEntry', entry: 'a', field: 'fileName', value: '../x' }, 'value'],
    [{ kind: 'setEntry', entry: 'a', field: 'body', value: { html: 1 } }, 'value.html'],
    [
      { kind: 'setEntry', entry: 'a', field: 'target', value: { to: 'address', url: 'javascript:alert(1)' } },
      'value.url',
    ],
    [{ kind: 'setSite', field: 'layout', value: 3 }, 'value'],
    [{ kind: 'setSite', field: 'language', value: 'not a tag' }, 'value'],
    [{ kind: 'addFile', file: { id: 'a', path: '../x.svg', content: 'k' } }, 'file.path'],
    [{ kind: 'batch', changes: [{ kind: 'batch', changes: [] }] }, 'changes.0.kind'],
  ])('%j is refused at %s', (change, path) => {
    expect(pathOf(change)).toBe(path)
  })

  test('good ones come through, trimmed', () => {
    const change = { kind: 'setEntry', entry: 'a', field: 'title', value: '  Opening   times ' }
    expect(v.parse(changeSchema, change)).toEqual({ ...change, value: 'Opening   times' })
  })
})
