import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  realpathSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { HostFault } from '../hostFault.ts'
import { openFolder } from './folder.ts'

let place: string
let site: string
let secret: string
beforeEach(() => {
  place = realpathSync(mkdtempSync(join(tmpdir(), 'links-')))
  site = join(place, 'allowed/site')
  secret = join(place, 'secret')
  mkdirSync(join(site, 'inside'), { recursive: true })
  mkdirSync(secret)
  writeFileSync(join(secret, 'key.html'), 'secret')
  writeFileSync(join(site, 'inside/page.html'), 'page')
})
afterEach(() => rmSync(place, { recursive: true }))

const bytesOf = (text: string) => new TextEncoder().encode(text)
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)
const open = () => openFolder(site, join(place, 'allowed'))

/** What is outside, as it has to stay. */
const untouched = () => {
  expect(readdirSync(secret)).toEqual(['key.html'])
  expect(readFileSync(join(secret, 'key.html'), 'utf8')).toBe('secret')
}

test('links that stay inside are followed; those that lead out show nothing and are never written through', async () => {
  symlinkSync('inside', join(site, 'linked'))
  symlinkSync(secret, join(site, 'out'))
  symlinkSync('../../../secret', join(site, 'inside/up'))
  symlinkSync(join(secret, 'key.html'), join(site, 'key.html'))
  symlinkSync(join(secret, 'new.html'), join(site, 'new.html'))
  const host = await open()
  const { files, folders } = (await host.list(''))!
  expect([[...files.keys()], [...folders].sort()]).toEqual([[], ['inside', 'linked']])
  expect(textOf(await host.read('linked/page.html'))).toBe('page')
  await host.write('linked/new.html', bytesOf('new'))
  expect(readFileSync(join(site, 'inside/new.html'), 'utf8')).toBe('new')
  for (const path of ['key.html', 'new.html']) expect(await host.see(path)).toBeUndefined()
  await host.write('.new-1', bytesOf('x'))
  for (const work of [
    () => host.list('out'),
    () => host.list('inside/up'),
    () => host.see('out/key.html'),
    () => host.read('out/key.html'),
    () => host.read('key.html'),
    () => host.write('key.html', bytesOf('x')),
    () => host.write('new.html', bytesOf('x')),
    () => host.write('out/x.html', bytesOf('x')),
    () => host.write('inside/up/x.html', bytesOf('x')),
    () => host.rename('.new-1', 'out/x.html'),
    () => host.rename('out/key.html', 'stolen.html'),
    () => host.remove('out/key.html'),
    () => host.makeFolder('out/x'),
  ])
    await expect(work()).rejects.toThrow(HostFault)
  await host.removeFolder('out/x')
  // A link itself gives way like any file.
  await host.rename('.new-1', 'key.html')
  await host.remove('new.html')
  untouched()
})

test('a site folder that is itself a link out of the allowed folder is refused', async () => {
  symlinkSync(secret, join(place, 'allowed/other'))
  await expect(openFolder(join(place, 'allowed/other'), join(place, 'allowed'))).rejects.toThrow(HostFault)
})

/** Swaps a folder with a link to a folder outside and back, as fast as it can, until it is terminated. */
const SWAPPER = `
  const { renameSync } = require('node:fs')
  const { workerData: { at, link, aside } } = require('node:worker_threads')
  for (;;) { renameSync(at, aside); renameSync(link, at); renameSync(at, link); renameSync(aside, at) }`

test('a folder that becomes a link between the check and the use is not left', async () => {
  const [at, link, aside] = [join(site, 'inside'), join(site, 'link'), join(site, 'aside')]
  symlinkSync(secret, link)
  writeFileSync(join(site, 'inside/key.html'), 'own')
  const host = await open()
  const swapper = new Worker(SWAPPER, { eval: true, workerData: { at, link, aside } })
  let [reached, refused] = [0, 0]
  try {
    await new Promise((resolve) => swapper.once('online', resolve))
    for (let n = 0; n < 1500; n++) {
      const ends = await Promise.allSettled([
        host.read('inside/key.html').then((bytes) => expect(textOf(bytes)).toBe('own')),
        host.write('inside/.new-x', bytesOf('x')),
        host.makeFolder(`inside/folder-${n}`),
        host.rename('inside/.new-x', 'inside/x.html'),
        host.remove('inside/x.html'),
      ])
      for (const end of ends) {
        if (end.status === 'fulfilled') reached++
        else if (end.reason instanceof HostFault) refused++
        else throw end.reason
      }
    }
  } finally {
    await swapper.terminate()
  }
  untouched()
  // Both happened: the race was one.
  expect(reached).toBeGreaterThan(0)
  expect(refused).toBeGreaterThan(0)
})
