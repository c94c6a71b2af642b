import type { Change } from '@viatica/core/plan/change/change.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '@viatica/core/testing/arbitraryChange.ts'
import fc from 'fast-check'
import { EditQueue, type Waiting } from './editQueue.ts'
import { Step } from './step.ts'

const start = siteWith(
  { name: 'Mill' },
  planOfBranch({
    ...newPage('home', 'Home'),
    entries: [{ ...newPage('roses', 'Roses'), entries: [] }],
  } as never),
)
const note = (entry: string, value: string): Change => ({ kind: 'setEntry', entry, field: 'note', value })
const waiting = (id: string, change: Change): Waiting => ({ id, order: 0, words: id, change, isSent: false })
const noteOf = (site: Site, entry: string) => (site.plan.entries.get(entry) as { note: string }).note

function queueOn(site: Site, ...edits: readonly Waiting[]): EditQueue {
  const queue = new EditQueue()
  queue.begin({ site, revision: 1, stamp: null })
  for (const edit of edits) queue.add(edit)
  return queue
}

test('a change of another window is made under the edits that wait', () => {
  const queue = queueOn(start, waiting('mine', note('home', 'mine')))
  queue.takeIn({ id: 'theirs', change: note('roses', 'theirs') })
  const { site, lost } = queue.rebase()
  expect([noteOf(site, 'home'), noteOf(site, 'roses')]).toEqual(['mine', 'theirs'])
  expect(lost).toEqual([])
  expect(noteOf(queue.confirmed!.site, 'home')).toBe('')
  expect(queue.confirmed!.stamp).toBe('theirs')
})

test('an edit that the server has made waits no more, and the site that is shown stays as it is', () => {
  const mine = note('home', 'mine')
  const queue = queueOn(start, waiting('mine', mine))
  const shown = queue.rebase().site
  const { ours } = queue.takeIn({ id: 'mine', change: mine })
  expect(ours?.id).toBe('mine')
  expect(queue.length).toBe(0)
  expect(toSiteData(queue.rebase().site)).toEqual(toSiteData(shown))
})

test('an edit that makes no sense any more is lost with the reason, and those after it go on', () => {
  const queue = queueOn(start, waiting('a', note('roses', 'a')), waiting('b', note('home', 'b')))
  const gone = applySoundly(start, { kind: 'remove', entries: ['roses'] })
  queue.begin({ site: gone.site, revision: 2, stamp: 'theirs' })
  const { site, lost } = queue.rebase()
  expect(lost.map(({ edit, reason }) => [edit.id, reason])).toEqual([['a', expect.stringMatching(/./)]])
  expect(queue.edits.map(({ id }) => id)).toEqual(['b'])
  expect(noteOf(site, 'home')).toBe('b')
})

test('what is typed on takes the place of the last edit as long as that was not sent, and keeps what it wrote over', () => {
  const queue = queueOn(start, waiting('a', { ...note('home', 'a'), over: 'mark' } as Change))
  expect(queue.isLastUnsent('a')).toBe(true)
  const { edit, instead } = queue.lengthenLast({ id: 'b', words: 'b', change: note('home', 'ab') })
  expect([instead, edit.id, edit.change]).toEqual(['a', 'b', { ...note('home', 'ab'), over: 'mark' }])
  queue.send('b')
  expect(queue.isLastUnsent('b')).toBe(false)
  expect(queue.edits).toEqual([{ ...edit, isSent: true }])
})

test('after a rebase, the step of an edit takes back what it really changed', () => {
  const change = note('home', 'mine')
  const applied = applySoundly(start, change)
  const step = new Step('words', change, 0, undefined, 'mine', applied)
  const queue = queueOn(start, { ...waiting('mine', change), step })
  queue.takeIn({ id: 'theirs', change: note('home', 'theirs') })
  const { site } = queue.rebase()
  expect(noteOf(applySoundly(site, step.takingBack('back', false)).site, 'home')).toBe('theirs')
})

/** Others remove an entry: the waiting edits of it are lost. */
const removal = ({ plan }: Site, at: number): Change | undefined => {
  const entries = [...plan.entries.keys()].filter((id) => id !== plan.home)
  return entries.length > 0 ? { kind: 'remove', entries: [entries[at % entries.length]!] } : undefined
}

test('whatever others change, the site that is shown is what is confirmed with the edits that are left, in their order', () => {
  const met = { lost: 0, ours: 0 }
  const acts = fc.array(
    fc.tuple(fc.constantFrom('mine', 'mine', 'theirs', 'gone', 'saved'), arbitraryDraws),
    {
      maxLength: 12,
    },
  )
  fc.assert(
    fc.property(arbitraryStart(6), acts, (site, all) => {
      const queue = queueOn(site)
      let shown = site
      let at = 0
      for (const [act, draws] of all) {
        const first = queue.edits[0]
        const { site: there } = queue.confirmed!
        const change = {
          mine: () => anyChange(shown, draws, ++at),
          theirs: () => anyChange(there, draws, ++at),
          gone: () => removal(there, ++at),
          saved: () => first?.change,
        }[act]()
        if (!change) continue
        try {
          if (act === 'mine') {
            shown = applySoundly(shown, change).site
            queue.add(waiting(`e${at}`, change))
            continue
          }
          const { ours } = queue.takeIn({ id: act === 'saved' ? first!.id : `t${at}`, change })
          if (ours) met.ours++
        } catch (error) {
          if (!(error instanceof ChangeRefused)) throw error
          continue
        }
        const before = queue.edits
        const rebased = queue.rebase()
        shown = rebased.site
        const lost = new Set(rebased.lost.map(({ edit }) => edit.id))
        met.lost += lost.size
        expect(queue.edits).toEqual(before.filter(({ id }) => !lost.has(id)))
        let expected = queue.confirmed!.site
        for (const edit of before) {
          if (!lost.has(edit.id)) expected = applySoundly(expected, edit.change).site
          else expect(() => applySoundly(expected, edit.change)).toThrow(ChangeRefused)
        }
        expect(toSiteData(shown)).toEqual(toSiteData(expected))
      }
    }),
    { numRuns: 500 },
  )
  expect(Math.min(met.lost, met.ours)).toBeGreaterThan(0)
})
