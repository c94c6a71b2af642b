import type { Change } from '@viatica/core/plan/change/change.ts'
import { createPinia, setActivePinia } from 'pinia'
import { testSites } from '../testing/testSite.ts'
import { until } from '../testing/until.ts'
import { workHere } from '../testing/workerHere.ts'

const newSite = testSites()
beforeAll(workHere)

async function start() {
  const server = await newSite()
  const pinia = createPinia()
  setActivePinia(pinia)
  const { useOpenSite } = await import('./openSite.ts')
  const { useProof } = await import('./proof.ts')
  const { useRipple } = await import('./ripple.ts')
  const openSite = useOpenSite()
  const proof = useProof()
  await openSite.open(server.id)
  await until(() => proof.all !== undefined)
  // The stores of the test before may still be at work, and make theirs the active one.
  return { server, openSite, proof, ripple: useRipple(pinia) }
}

const setBody = (entry: string, html: string): Change => ({
  kind: 'setEntry',
  entry,
  field: 'body',
  value: { html, changed: '' },
})
const HOST = '<p>See <a href="www.example.org">the map</a>.</p>'

test('findings follow the edits, with counts over the site and for each page', async () => {
  const { openSite, proof } = await start()
  expect(proof.counts.error).toBe(0)
  const before = proof.byEntry.get('news') ?? 0
  openSite.makeOrTell(setBody('news', HOST))
  await until(() => proof.counts.error === 1)
  expect(proof.byEntry.get('news')).toBe(before + 1)
  const finding = proof.findings.find(({ rule }) => rule === 'host-without-scheme')!
  expect(finding).toMatchObject({ canFix: true, place: { in: 'content', entry: 'news', line: 1 } })
  openSite.undo()
  await until(() => proof.counts.error === 0)
})

test('a finding that is set aside stays so while its place does, and comes back when that changes', async () => {
  const { server, openSite, proof } = await start()
  openSite.makeOrTell(setBody('news', HOST))
  await until(() => proof.counts.error === 1)
  const { key } = proof.findings.find(({ rule }) => rule === 'host-without-scheme')!
  expect(proof.setAside([key], 'It is an example.')).toBeUndefined()
  expect([proof.counts.error, proof.aside.map((one) => one.key)]).toEqual([0, [key]])
  await openSite.settle()
  expect((await server.site()).settings.setAside).toEqual([{ key, reason: 'It is an example.' }])
  openSite.makeOrTell(setBody('news', `<p>More words before it.</p>${HOST}`))
  await until(() => proof.aside.some(({ place }) => 'start' in place && place.start > 20))
  expect(proof.counts.error).toBe(0)
  openSite.makeOrTell(setBody('news', HOST.replace('example.org', 'example.com')))
  await until(() => proof.counts.error === 1)
  expect(proof.setAside([key], undefined)).toBeUndefined()
  expect(proof.reasons.size).toBe(0)
})

test('fixes are made as one change once the author has seen what they do, and not without a yes', async () => {
  const { server, openSite, proof, ripple } = await start()
  openSite.makeOrTell(setBody('news', `${HOST}<p><a href="a@example.org">Write</a></p>`))
  await until(() => proof.counts.error === 2)
  const fixed = proof.findings.filter(({ canFix, rule }) => canFix && rule.endsWith('without-scheme'))
  const steps = openSite.done.length
  for (const yes of [false, true]) {
    const fixing = proof.fix(fixed)
    await until(() => ripple.question !== undefined)
    expect(ripple.question).toMatchObject({ title: 'Fix 2 findings?', yes: 'Fix' })
    expect(ripple.question!.foreseen.ripple.pages.map(({ page }) => page)).toEqual(['news'])
    ripple.question!.answer(yes)
    await fixing
    expect(openSite.done.length).toBe(steps + (yes ? 1 : 0))
  }
  await openSite.settle()
  expect((await server.site()).plan.entries.get('news')).toMatchObject({
    body: {
      html: '<p>See <a href="https://www.example.org">the map</a>.</p><p><a href="mailto:a@example.org">Write</a></p>',
    },
  })
  await until(() => proof.counts.error === 0)
})
