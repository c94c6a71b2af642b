import fc from 'fast-check'
import { type Zippable, zipSync } from 'fflate'
import { newSite, type Site } from '../plan/site.ts'
import { siteFault } from '../plan/siteFault.ts'
import { toSiteData } from '../plan/siteData.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { isArchive, isArchived, MAX_SITE_ARCHIVE, readSiteArchive, writeSiteArchive } from './siteArchive.ts'
import { writeSiteFile } from './siteFile.ts'

/** The site with bytes for each of its files: for those of one key the same. */
function filled(site: Site, bytes: readonly Uint8Array[]) {
  const keys = [...new Set([...site.files.values()].map(({ content }) => content))]
  const contents = new Map(keys.map((key, at) => [key, bytes[at % bytes.length]!]))
  const files = [...site.files.values()].map((file) => ({
    ...file,
    size: contents.get(file.content)!.length,
  }))
  return { site: { ...site, files: new Map(files.map((file) => [file.id, file])) }, contents }
}

test('a site comes out of its archive as it went in, with the bytes of its files', () => {
  fc.assert(
    fc.property(arbitrarySite(), fc.array(fc.uint8Array(), { minLength: 1 }), (random, bytes) => {
      const { site, contents } = filled(random, bytes)
      fc.pre(siteFault(site) === undefined)
      const archive = writeSiteArchive(site, contents)
      expect(isArchive(archive)).toBe(true)
      const read = readSiteArchive(archive)
      expect(toSiteData(read.site)).toEqual(toSiteData(site))
      expect(new Map([...read.contents].map(([key, one]) => [key, [...one]]))).toEqual(
        new Map([...contents].map(([key, one]) => [key, [...one]])),
      )
      expect(writeSiteArchive(read.site, read.contents)).toEqual(archive)
    }),
  )
})

const file = { id: 'a', path: 'docs/a.pdf', content: 'k', size: 3, alt: '' }
const site: Site = { ...newSite('A', 'home'), files: new Map([['a', file]]) }

test('a site becomes an archive where its file would pass 50 MB', () => {
  const ofSize = (size: number) => isArchived({ ...site, files: new Map([['a', { ...file, size }]]) })
  expect(ofSize(3)).toBe(false)
  // RFC 4648: four characters for three bytes.
  expect(ofSize(37_000_000)).toBe(false)
  expect(ofSize(37_500_000)).toBe(true)
  // Bytes that stand at two paths are in a site file once.
  const twice = new Map(['a', 'b'].map((id) => [id, { ...file, id, path: `${id}.pdf`, size: 20_000_000 }]))
  expect(isArchived({ ...site, files: twice })).toBe(false)
})

describe('bad archives are refused with the reason:', () => {
  const json = new TextEncoder().encode(writeSiteFile(site, new Map()))
  const bytes = new Uint8Array([1, 2, 3])
  const zip = (files: Zippable) => zipSync(files)
  const twoOf = (other: Uint8Array) => {
    const files = new Map(['a', 'b'].map((id) => [id, { ...file, id, path: `${id}.pdf` }]))
    const two = new TextEncoder().encode(writeSiteFile({ ...site, files }, new Map()))
    return zip({ 'site.json': two, 'files/a.pdf': bytes, 'files/b.pdf': other })
  }
  const whole = zip({ 'site.json': json, 'files/docs/a.pdf': bytes })

  test('the sound one is none of them', () => {
    expect(readSiteArchive(whole).site.files.get('a')).toEqual(file)
    expect(readSiteArchive(twoOf(bytes)).contents.size).toBe(1)
  })

  test.each<[string, Uint8Array, RegExp]>([
    ['no archive', new Uint8Array([0x50, 0x4b, 3, 4, 0, 0]), /cannot be read/],
    ['empty', new Uint8Array(), /cannot be read/],
    ['cut off', whole.slice(0, -30), /cannot be read/],
    ['cut in the middle', whole.slice(0, whole.length >> 1), /cannot be read/],
    ['pages that somebody wrote', zip({ 'index.html': bytes }), /no site\.json.*From existing pages/],
    ['another site.json', zip({ 'site.json': new TextEncoder().encode('{"a":1}') }), /not a site file/],
    ['a file that is missing', zip({ 'site.json': json }), /contents of docs\/a\.pdf are missing/],
    ['a file at another path', zip({ 'site.json': json, 'docs/a.pdf': bytes }), /are missing/],
    ['other bytes under one key', twoOf(new Uint8Array([4])), /b\.pdf has other bytes/],
  ])('%s', (_what, archive, words) => {
    expect(() => readSiteArchive(archive)).toThrow(words)
  })

  test('one that says it holds more than it may, before anything of it is read', () => {
    const large = whole.slice()
    const view = new DataView(large.buffer)
    // APPNOTE 4.3.12: the size of a file stands 24 bytes into its entry of the central directory.
    for (let at = 0; at + 4 <= large.length; at++)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, MAX_SITE_ARCHIVE, true)
    expect(() => readSiteArchive(large)).toThrow(/holds more than \d+ MB/)
  })

  test('whatever is damaged in one, it is read or refused, and nothing else happens', () => {
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.nat(255), (at, byte) => {
        const damaged = whole.slice()
        damaged[at] = byte
        try {
          expect(readSiteArchive(damaged).site.files.size).toBe(1)
        } catch (error) {
          expect((error as Error).name).toBe('InputFault')
        }
      }),
    )
  })
})
