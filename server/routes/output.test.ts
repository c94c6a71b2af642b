import { piecesOf } from '@viatica/core/plan/surround/surround.ts'
import type { OutputFile } from '@viatica/core/formats/archive.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import { publishedFiles } from '@viatica/core/publish/publishedFiles.ts'
import { sharedDigest } from '@viatica/core/render/sharedDigest.ts'
import { loadDemo } from '@viatica/demo/load.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import yauzl from 'yauzl'
import { ask, serve, type Serving } from '../testing/serve.ts'
import { YEAR } from '@viatica/core/testing/year.ts'

let server: Serving
let id: string
beforeAll(async () => {
  server = await serve()
  id = await server.demo()
})
afterAll(() => server.stop())

async function unzip(bytes: Buffer): Promise<Map<string, string>> {
  const zip = await yauzl.fromBufferPromise(bytes)
  const files = new Map<string, string>()
  for await (const entry of zip.eachEntry()) {
    const chunks: Buffer[] = []
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
    files.set(entry.fileName, Buffer.concat(chunks).toString())
  }
  return files
}

test('a font is let into pages of an opaque origin, nothing else is', async () => {
  const site = await server.api.create()
  const look = { ...piecesOf((await server.api.read(site)).site.surround).look, textFont: 'bitter' }
  await server.api.post(site, 0, { kind: 'setSurround', field: 'look', value: look })
  const font = await ask(`${server.url}/preview/${site}/fonts/bitter-latin-400-normal.woff2`)
  expect(font.headers.get('content-type')).toBe('font/woff2')
  expect(font.headers.get('access-control-allow-origin')).toBe('*')
  const licence = await ask(`${server.url}/preview/${site}/fonts/bitter-licence.txt`)
  expect(licence.text).toMatch(/SIL Open Font License, Version 1.1/i)
  for (const path of ['index.html', 'style.css', 'fonts/bitter-licence.txt'])
    expect(
      (await ask(`${server.url}/preview/${site}/${path}`)).headers.has('access-control-allow-origin'),
    ).toBe(false)
})

describe('the archive', () => {
  test('holds what core writes, byte for byte, and is the same each time', async () => {
    const fetchZip = async () =>
      Buffer.from(await (await fetch(`${server.url}/api/sites/${id}/archive.zip`)).arrayBuffer())
    const first = await fetchZip()
    const files = await unzip(first)
    const { site } = await server.store.sites.read(id)
    const bytesOf = async (file: OutputFile) => {
      if ('text' in file) return file.text()
      if ('font' in file) return (await fontBytes(file.font)).toString()
      return (await server.store.contents.read(file.content))!.toString()
    }
    const expected = await Promise.all(
      [...publishedFiles(site, YEAR, USUAL_CHOICES)].map(async (file) => [file.path, await bytesOf(file)]),
    )
    expect([...files]).toEqual(expected)
    expect(await fetchZip()).toEqual(first)
  })

  test('has beside its pages what is asked for, and refuses what it does not know', async () => {
    const at = (query: string) => `${server.url}/api/sites/${id}/archive.zip?${query}`
    const chosen = 'sitemap=no&robots=no&redirectPages=no&rules=apache&includes=none'
    const paths = [...(await unzip(Buffer.from(await (await fetch(at(chosen))).arrayBuffer()))).keys()]
    const { site } = await server.store.sites.read(id)
    const off = { sitemap: false, robots: false, redirectPages: false } as const
    const choices = { ...off, rules: 'apache', includes: 'none' } as const
    expect(paths).toEqual([...publishedFiles(site, YEAR, choices)].map(({ path }) => path))
    for (const wrong of [
      'sitemap=no',
      `${chosen}&more=1`,
      chosen.replace('apache', 'iis'),
      `${chosen}&rules=nginx`,
    ])
      expect((await ask(at(wrong))).status).toBe(400)
  })

  test('has what pages share in files of its own where that is asked for', async () => {
    const own = await server.demo()
    const change = { kind: 'setSite', field: 'extension', value: '.php' }
    expect((await server.api.post(own, 0, change)).status).toBe(200)
    const files = async (includes: string) => {
      const query = `sitemap=no&robots=no&redirectPages=no&rules=none&includes=${includes}`
      const answer = await fetch(`${server.url}/api/sites/${own}/archive.zip?${query}`)
      return unzip(Buffer.from(await answer.arrayBuffer()))
    }
    const [whole, apart] = [await files('none'), await files('php')]
    const { site } = await server.store.sites.read(own)
    const choices = { ...USUAL_CHOICES, sitemap: false, robots: false, redirectPages: false }
    expect([...apart.keys()]).toEqual(
      [...publishedFiles(site, YEAR, { ...choices, includes: 'php' })].map(({ path }) => path),
    )
    expect([...apart.keys()].filter((path) => !whole.has(path))).toContain('includes/footer.html')
    const calls = (name: string) =>
      [...apart.values()].filter((text) => text.includes(`/includes/${name}'); ?>`)).length
    expect(calls('footer.html')).toBeGreaterThan(2)
  })

  test('has no planned page and no path that leaves its folder', async () => {
    const { paths } = addressesOf(loadDemo().site)
    const response = await fetch(`${server.url}/api/sites/${id}/archive.zip`)
    expect(response.headers.get('content-disposition')).toContain('wetherlock-canal-trust.zip')
    const names = [...(await unzip(Buffer.from(await response.arrayBuffer()))).keys()]
    expect(names).not.toContain(paths.get('summit-stop'))
    for (const name of names) expect(name).toMatch(/^(?!.*\.\.)[a-z0-9]/)
  })

  test('comes to everybody who asks at once, also when somebody else breaks off', async () => {
    const at = `${server.url}/api/sites/${id}/archive.zip`
    const whole = async () => (await (await fetch(at)).arrayBuffer()).byteLength
    const broken = async () => {
      const going = new AbortController()
      const response = await fetch(at, { signal: going.signal })
      going.abort()
      await response.arrayBuffer().catch(() => undefined)
      return 0
    }
    const sizes = await Promise.all([whole(), broken(), whole(), broken(), broken(), whole(), whole()])
    expect(new Set(sizes.filter((size) => size > 0)).size).toBe(1)
    expect(sizes.filter((size) => size > 0)).toHaveLength(4)
    // Some break off while their archive waits for its turn, some in its midst; the next still comes.
    for (let round = 0; round < 4; round++) {
      await Promise.all(Array.from({ length: 6 }, broken))
      expect(await whole()).toBe(sizes[0])
    }
  })

  test('of a site that is not there is refused', async () => {
    expect((await ask(`${server.url}/api/sites/none/archive.zip`)).status).toBe(404)
  })
})

test.each(['root', 'absolute'])(
  'a preview of a site with %s links stays within itself; its archive has them',
  async (value) => {
    const site = await server.demo()
    const baseUrl = 'https://example.org/trust/'
    const settings = {
      kind: 'batch',
      changes: [
        ['baseUrl', baseUrl],
        ['linkStyle', value],
      ].map(([field, value]) => ({ kind: 'setSite', field, value })),
    }
    expect((await server.api.post(site, 0, settings)).status).toBe(200)
    const { text } = await ask(`${server.url}/preview/${site}/index.html`)
    const links = (html: string) => [...html.matchAll(/<a href="([^"]*)"/g)].map(([, href]) => href!)
    const start = value === 'root' ? '/trust/' : baseUrl
    expect(links(text).filter((href) => href.startsWith(start))).toEqual([])
    expect(text).toContain(`<link rel="canonical" href="${baseUrl}index.html">`)
    const bytes = await (await fetch(`${server.url}/api/sites/${site}/archive.zip`)).arrayBuffer()
    const home = (await unzip(Buffer.from(bytes))).get('index.html')!
    expect(links(home).filter((href) => href.startsWith(start)).length).toBeGreaterThan(10)
  },
)

describe('the preview', () => {
  const preview = (path: string) => ask(`${server.url}/preview/${id}/${path}`)

  test('shows every page at its own address, planned ones too, in a sandbox', async () => {
    for (const path of addressesOf(loadDemo().site).paths.values()) {
      const { status, headers, text } = await preview(path)
      expect(status).toBe(200)
      expect(headers.get('content-type')).toBe('text/html; charset=utf-8')
      expect(headers.get('content-security-policy')).toMatch(/^sandbox allow-scripts;default-src 'none'/)
      expect(text).toMatch(/^<!doctype html>/)
    }
  })

  test('serves the style sheet, the script and the pictures; the bare folder is the home page', async () => {
    expect((await preview('style.css')).headers.get('content-type')).toMatch('text/css')
    expect((await preview('menu.js')).headers.get('content-type')).toMatch('javascript')
    expect((await preview('pictures/logo.svg')).headers.get('content-type')).toMatch('image/svg+xml')
    expect((await preview('')).text).toBe((await preview('index.html')).text)
    expect((await fetch(`${server.url}/preview/${id}`, { redirect: 'manual' })).headers.get('location')).toBe(
      `/preview/${id}/`,
    )
  })

  test('its shared files may be kept where their address says what they are at this moment, and its pages never', async () => {
    const site = await server.api.create()
    const kept = async (shared: string, path: string) => {
      const { status, headers } = await ask(`${server.url}/preview/${site}~${shared}/${path}`)
      return [status, headers.get('cache-control')]
    }
    const digest = async () => sharedDigest((await server.api.read(site)).site)
    const before = await digest()
    expect(await kept(before, 'style.css')).toEqual([200, 'private, max-age=3600, immutable'])
    expect(await kept(before, 'index.html')).toEqual([200, 'no-store'])
    expect(await kept('other', 'style.css')).toEqual([200, 'no-cache'])
    const look = { ...piecesOf((await server.api.read(site)).site.surround).look, textFont: 'bitter' }
    await server.api.post(site, 0, { kind: 'setSurround', field: 'look', value: look })
    expect(await digest()).not.toBe(before)
    // A reader that still asks for what was before gets what is there now, and does not keep it.
    expect(await kept(before, 'style.css')).toEqual([200, 'no-cache'])
    expect(await kept(await digest(), 'style.css')).toEqual([200, 'private, max-age=3600, immutable'])
    expect(await kept(await digest(), 'gone.css')).toEqual([404, 'no-store'])
    const { text } = await ask(`${server.url}/preview/${site}~${before}/`)
    expect(text).toContain('<link rel="stylesheet" href="style.css">')
  })

  test('knows nothing else', async () => {
    expect((await preview('nowhere.html')).status).toBe(404)
    expect((await ask(`${server.url}/preview/none/index.html`)).status).toBe(404)
  })
})
