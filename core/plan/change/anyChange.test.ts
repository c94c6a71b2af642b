import fc from 'fast-check'
import * as v from 'valibot'
import { anyChange, arbitraryDraws, arbitraryStart } from '../../testing/arbitraryChange.ts'
import { arbitrarySite } from '../../testing/arbitrarySite.ts'
import { FIELDS_OF_KIND } from '../entry.ts'
import { newSite, type Site, settingSchemas } from '../site.ts'
import { siteFault } from '../siteFault.ts'
import { fromSiteData, type SiteData, toSiteData } from '../siteData.ts'
import { surroundRuleSchemas, piecesOf, withPieces } from '../surround/surround.ts'
import { applyChange, singlesOf } from './apply.ts'
import { type Change, changeSchema, type SingleChange } from './change.ts'
import { guarded, unguarded } from './guard.ts'
import { ChangeRefused, WrittenSince } from './refused.ts'
import { differenceOf } from './restore.ts'
import { applySoundly } from './sound.ts'

const history = fc.tuple(arbitraryStart(10), fc.array(arbitraryDraws, { maxLength: 20 }))

/** The site after a change; undefined when it is refused. */
function tried(site: Site, change: Change) {
  try {
    return applyChange(site, change)
  } catch (error) {
    if (error instanceof ChangeRefused) return undefined
    throw error
  }
}

/** What a change names, so that it can be told whether all kinds were drawn. */
const nameOf = (one: SingleChange) => ('field' in one ? `${one.kind} ${one.field}` : one.kind)

describe('changes of every kind and setting', () => {
  test('are drawn, and made', () => {
    const made = new Set<string>()
    fc.assert(
      fc.property(history, ([start, draws]) => {
        draws.forEach((one, at) => {
          const change = anyChange(start, one, at)
          if (tried(start, change)) for (const single of singlesOf(change)) made.add(nameOf(single))
        })
      }),
      { numRuns: 800, seed: 11 },
    )
    const kinds = [
      'add',
      'remove',
      'move',
      'replaceEntry',
      'addFile',
      'setFile',
      'removeFile',
      'addPiece',
      'removePiece',
      'restore',
    ]
    expect([...made].sort()).toEqual(
      [
        ...kinds,
        ...['movePiece', 'setPiece', 'addMenu', 'removeMenu', 'setMenu', 'setMaking'],
        ...[...new Set(Object.values(FIELDS_OF_KIND).flat())].map((field) => `setEntry ${field}`),
        ...Object.keys(settingSchemas).map((field) => `setSite ${field}`),
        ...Object.keys(surroundRuleSchemas).map((field) => `setSurround ${field}`),
      ].sort(),
    )
  })

  test('have inverses that the server takes, and that restore the site exactly', () => {
    fc.assert(
      fc.property(history, ([start, draws]) => {
        let now = start
        const back: Change[] = []
        draws.forEach((one, at) => {
          const applied = tried(now, anyChange(now, one, at))
          if (!applied) return
          now = applied.site
          back.push(applied.inverse)
        })
        for (const inverse of back.reverse()) {
          const sent = v.parse(changeSchema, JSON.parse(JSON.stringify(guarded(now, inverse))))
          expect(toSiteData(applyChange(now, unguarded(sent)).site)).toEqual(
            toSiteData(applyChange(now, inverse).site),
          )
          now = applyChange(now, sent).site
        }
        expect(toSiteData(now)).toEqual(toSiteData(start))
      }),
    )
  })

  test('asked for by an author, leave a sound site sound', () => {
    fc.assert(
      fc.property(history, ([start, draws]) => {
        let now = siteFault(start) === undefined ? start : newSite('Sound', 'home')
        draws.forEach((one, at) => {
          try {
            now = applySoundly(now, anyChange(now, one, at)).site
          } catch (error) {
            expect(error).toBeInstanceOf(ChangeRefused)
          }
          expect(siteFault(now)).toBeUndefined()
        })
      }),
    )
  })

  test('leave the site as it was when they are refused, whatever part of them was made', () => {
    fc.assert(
      fc.property(arbitraryStart(10), arbitraryDraws, (site, draws) => {
        const before = structuredClone(toSiteData(site))
        const change = anyChange(site, draws, 0)
        const fails: SingleChange = { kind: 'remove', entries: ['never-there'] }
        const broken = { kind: 'batch' as const, changes: [...singlesOf(change), fails] }
        expect(tried(site, broken)).toBeUndefined()
        expect(toSiteData(site)).toEqual(before)
      }),
    )
  })

  test('made as one batch come to the same as one by one', () => {
    fc.assert(
      fc.property(history, ([start, draws]) => {
        let now = start
        const changes: SingleChange[] = []
        draws.forEach((one, at) => {
          const change = anyChange(now, one, at)
          const applied = tried(now, change)
          if (!applied) return
          now = applied.site
          changes.push(...singlesOf(change))
        })
        if (changes.length === 0) return
        const whole = applyChange(start, { kind: 'batch', changes })
        expect(toSiteData(whole.site)).toEqual(toSiteData(now))
        expect(toSiteData(applyChange(whole.site, whole.inverse).site)).toEqual(toSiteData(start))
      }),
    )
  })
})

/** The place that a change sets; undefined for one that does another thing. */
function placeSet(change: SingleChange): string | undefined {
  if (!change.kind.startsWith('set')) return undefined
  const { kind, entry, field, file, piece, menu } = change as Record<string, unknown> & { kind: string }
  return JSON.stringify([
    kind,
    entry,
    field,
    ...[file, piece, menu].map((one) => (one as { id: string })?.id),
  ])
}

describe('a guarded change', () => {
  test('that writes what somebody else wrote there meanwhile is made: nothing is lost by it', () => {
    let met = 0
    fc.assert(
      fc.property(arbitraryStart(6), arbitraryDraws, (start, draws) => {
        const change = anyChange(start, draws, 1)
        const first = tried(start, change)
        if (!first) return
        const again = guarded(start, change)
        const second = tried(first.site, again)
        const places = singlesOf(change).map(placeSet)
        // One that writes one place twice has passed what stands there in between: it asks.
        if (places.includes(undefined) || new Set(places).size < places.length) return
        met++
        expect(second && toSiteData(second.site)).toEqual(toSiteData(first.site))
      }),
      { numRuns: 500 },
    )
    expect(met).toBeGreaterThan(50)
  })

  const title = (value: string): Change => ({ kind: 'setEntry', entry: 'e0', field: 'title', value })

  test('never undoes what was set in the same place since', () => {
    fc.assert(
      fc.property(arbitraryStart(6), arbitraryDraws, arbitraryDraws, (start, mine, theirs) => {
        const first = tried(start, anyChange(start, mine, 1))
        if (!first) return
        const back = guarded(first.site, first.inverse)
        const second = tried(first.site, anyChange(first.site, theirs, 2))
        if (!second) return
        let undone: Site
        try {
          undone = applyChange(second.site, back).site
        } catch (error) {
          // Asked about, or made impossible: nothing is lost without a word.
          expect(error).toBeInstanceOf(ChangeRefused)
          return
        }
        // Taken back, it leaves what was done since: undoing that, too, leads to the start.
        const rest = tried(undone, second.inverse)
        if (rest) expect(new Set(rest.site.plan.entries.keys())).toEqual(new Set(start.plan.entries.keys()))
      }),
      { numRuns: 300 },
    )
  })

  test('is refused, with what stands there, when another value was written since', () => {
    const site = fc.sample(arbitrarySite(3), { numRuns: 1, seed: 4 })[0]!
    const mine = applyChange(site, title('Mine'))
    const back = guarded(mine.site, mine.inverse)
    const theirs = applyChange(mine.site, title('Theirs')).site
    expect(() => applyChange(theirs, back)).toThrow(WrittenSince)
    try {
      applyChange(theirs, back)
    } catch (error) {
      expect((error as WrittenSince).now).toBe('Theirs')
      expect((error as Error).message).toMatch(/“Theirs”: the title was changed in another window/)
    }
    expect(applyChange(theirs, unguarded(back)).site.plan.entries.get('e0')).toEqual(
      site.plan.entries.get('e0'),
    )
  })

  test('that takes an added page away is refused when others put something under it, or wrote in it', () => {
    const site = fc.sample(arbitrarySite(3), { numRuns: 1, seed: 4 })[0]!
    const page = (id: string) => ({ kind: 'page' as const, id, title: id })
    const add = (parent: string, id: string) =>
      v.parse(changeSchema, { kind: 'add', parent, place: 0, branches: [page(id)] })
    const mine = applyChange(site, add('e0', 'mine'))
    const back = guarded(mine.site, mine.inverse)
    const under = applyChange(mine.site, add('mine', 'theirs')).site
    expect(() => applyChange(under, back)).toThrow(/new pages under it/)
    const body = { html: '<p>theirs</p>', changed: '' }
    const written = applyChange(mine.site, { kind: 'setEntry', entry: 'mine', field: 'body', value: body })
    expect(() => applyChange(written.site, back)).toThrow(WrittenSince)
  })

  test('holds whatever order the fields of a value come in', () => {
    const site = fc.sample(arbitrarySite(3), { numRuns: 1, seed: 4 })[0]!
    const here = piecesOf(site.surround).here
    const set = (value: typeof here): Change => ({ kind: 'setSurround', field: 'here', value })
    const mine = applyChange(site, set({ ...here, bodyId: !here.bodyId }))
    const turned = Object.fromEntries(
      Object.entries(piecesOf(mine.site.surround).here).reverse(),
    ) as typeof here
    const same = { ...mine.site, surround: withPieces(mine.site.surround, { here: turned }) }
    expect(piecesOf(applyChange(same, guarded(mine.site, mine.inverse)).site.surround).here).toEqual(here)
  })
})

describe('restoring', () => {
  test('several settings holds in whatever order they come', () => {
    const site = fc.sample(arbitrarySite(3), { numRuns: 1, seed: 4 })[0]!
    const settings = { ...site.settings, name: 'Another', tagline: 'Another, too' }
    const back = guarded({ ...site, settings }, differenceOf({ ...site, settings }, site)!)
    if (back.kind !== 'restore') throw new Error('It is no restoring.')
    const turned = { ...back, settings: Object.fromEntries(Object.entries(back.settings).reverse()) }
    expect(Object.keys(turned.settings)).toHaveLength(2)
    expect(applyChange({ ...site, settings }, turned).site.settings).toEqual(site.settings)
  })

  const states = fc.tuple(history, fc.nat(20)).map(([[start, draws], at]) => {
    const all = [start]
    draws.forEach((one, n) =>
      all.push(tried(all.at(-1)!, anyChange(all.at(-1)!, one, n))?.site ?? all.at(-1)!),
    )
    return { now: all.at(-1)!, then: all[at % all.length]! }
  })

  test('makes a site what it was at any other time, and its inverse leads back', () => {
    fc.assert(
      fc.property(states, ({ now, then }) => {
        const change = differenceOf(now, then)
        if (!change) return void expect(toSiteData(now)).toEqual(toSiteData(then))
        const sent = v.parse(changeSchema, JSON.parse(JSON.stringify(change)))
        const restored = applyChange(now, sent)
        expect(toSiteData(restored.site)).toEqual(toSiteData(then))
        expect(differenceOf(restored.site, then)).toBeUndefined()
        expect(toSiteData(applyChange(restored.site, restored.inverse).site)).toEqual(toSiteData(now))
      }),
      { numRuns: 300 },
    )
  })

  test('holds no more than what differs', () => {
    fc.assert(
      fc.property(arbitraryStart(10), (site) => {
        const title: Change = { kind: 'setEntry', entry: 'e0', field: 'title', value: 'Another title' }
        const { site: after } = applyChange(site, title)
        // As a database gives it back: equal, and no longer the same objects.
        const read = fromSiteData(JSON.parse(JSON.stringify(toSiteData(site))) as SiteData)
        expect(differenceOf(after, read)).toMatchObject({ entries: [site.plan.entries.get('e0')] })
        expect(differenceOf(after, read)).toMatchObject({
          settings: {},
          files: [],
          filesGone: [],
          children: [],
        })
      }),
    )
  })

  test.each<[string, object, RegExp]>([
    ['an entry under itself', { children: [{ parent: 'e1', children: ['e1'] }] }, /stand nowhere|Two places/],
    ['an entry twice', { children: [{ parent: 'e0', children: ['e1', 'e1'] }] }, /Two places/],
    ['the home page gone', { entriesGone: ['e0'] }, /home page/],
    ['an entry without a place', { entries: [{ id: 'new', kind: 'group', label: 'New' }] }, /stand nowhere/],
    ['an entry that is gone in a place', { children: [{ parent: 'e0', children: ['gone'] }] }, /no longer/],
    ['a picture that is gone', { settings: { logo: { file: 'gone', alt: '' } } }, /logo/],
  ])('is refused where it would leave %s', (_, part, reason) => {
    const empty = { files: [], filesGone: [], entries: [], entriesGone: [], children: [] }
    const site = fc.sample(
      arbitrarySite(4).filter(({ plan }) => plan.entries.size > 2),
      { numRuns: 1, seed: 5 },
    )[0]!
    const change = v.parse(changeSchema, { kind: 'restore', settings: {}, ...empty, ...part })
    expect(() => applyChange(site, change)).toThrow(reason)
  })
})
