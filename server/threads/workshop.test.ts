import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { newSite } from '@viatica/core/plan/site.ts'
import { usualChoices } from '@viatica/core/publish/choices.ts'
import { YEAR } from '@viatica/core/testing/year.ts'
import { serve, type Serving } from '../testing/serve.ts'
import { Workshop } from './workshop.ts'

let server: Serving
let workshop: Workshop
beforeAll(async () => {
  server = await serve()
  workshop = new Workshop(server.databaseUrl)
})
afterAll(async () => {
  await workshop.close()
  await server.stop()
})

/** A site that takes a while to write. */
async function largeSite() {
  const body = { html: `<p>${'The lock is open. '.repeat(200)}</p>`.repeat(5), changed: '' }
  const branches = Array.from({ length: 1500 }, (_, n) => ({
    ...newPage(`p${n}`, `Page ${n}`, { body, inMenu: false }),
    entries: [],
  }))
  const { site } = applyChange(newSite('Large', 'home'), { kind: 'add', parent: 'home', place: 0, branches })
  const id = await server.store.sites.create(site, new Map())
  return { site: id, year: YEAR, choices: usualChoices(site), keepFor: undefined }
}

test('a publication that is worked out tells how far it is, and is stopped', async () => {
  const task = await largeSite()
  const told: (readonly [number, number])[] = []
  const { files } = await workshop.publication(task, (done, all) => told.push([done, all]))
  expect(files.length).toBeGreaterThan(1500)
  expect(told.length).toBeGreaterThan(0)
  expect(told.every(([done, all]) => done < all && all === files.length)).toBe(true)
  expect(told.map(([done]) => done)).toEqual(told.map(([done]) => done).sort((a, b) => a - b))

  const stop = new AbortController()
  const stopped = workshop.publication(task, () => stop.abort(), stop.signal)
  await expect(stopped).rejects.toThrow('The publication was stopped.')
})
