import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { mediaTypeOf } from '@viatica/core/plan/file.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import { EXTENSIONS, LAYOUTS, SEPARATORS, type Settings, type Site } from '@viatica/core/plan/site.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { LinkChecker } from 'linkinator'
import { loadDemo } from './load.ts'
import { YEAR } from '@viatica/core/testing/year.ts'

const { site, contents } = loadDemo()
const WRITTEN = 37

type Rule = Pick<Settings, 'layout' | 'carrySection' | 'separator' | 'extension'>
const RULES = LAYOUTS.flatMap((layout) =>
  (layout === 'flat' ? [false, true] : [false]).flatMap((carrySection) =>
    SEPARATORS.flatMap((separator) =>
      EXTENSIONS.map((extension): Rule => ({ layout, carrySection, separator, extension })),
    ),
  ),
)

const change = (field: keyof Rule, value: unknown) => ({ kind: 'setSite', field, value }) as SetSite

function withRule(from: Site, rule: Rule): Site {
  return (Object.keys(rule) as (keyof Rule)[]).reduce(
    (now, field) => applyChange(now, change(field, rule[field])).site,
    from,
  )
}

/** The finished site as bytes by path. */
function written(from: Site): Map<string, Buffer> {
  return new Map(
    [...outputFiles(from, YEAR)].map((file) => [
      file.path,
      'text' in file
        ? Buffer.from(file.text())
        : 'font' in file
          ? fontBytes(file.font)
          : Buffer.from(contents.get(file.content)!),
    ]),
  )
}

/** A plain host that takes every extension of pages for HTML, as hosts that run them do. */
async function serve(
  files: ReadonlyMap<string, Buffer>,
  index: string,
): Promise<{ server: Server; url: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url!, 'http://localhost').pathname.slice(1)) || index
    const bytes = files.get(path)
    const isPage = EXTENSIONS.some((extension) => path.endsWith(extension))
    response.writeHead(bytes ? 200 : 404, { 'Content-Type': isPage ? 'text/html' : mediaTypeOf(path) })
    response.end(bytes)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/` }
}

describe('the demo with its addresses settled anew', () => {
  test.each(RULES)(
    'an independent link checker (linkinator) finds every link whole: $layout $carrySection $separator $extension',
    async (rule) => {
      const files = written(withRule(site, rule))
      const { server, url } = await serve(files, `index${rule.extension}`)
      const { links } = await new LinkChecker().check({
        path: url,
        recurse: true,
        linksToSkip: (link) => Promise.resolve(!link.startsWith(url)),
      })
      server.close()
      server.closeAllConnections()
      expect(links.filter(({ state }) => state === 'BROKEN')).toEqual([])
      const reached = links.filter(
        (link) => link.state === 'OK' && link.url.split('#')[0]!.endsWith(rule.extension),
      )
      expect(new Set(reached.map((link) => link.url.split('#')[0])).size).toBe(WRITTEN)
    },
  )

  test('and settled back is the same to the byte', () => {
    const { layout, carrySection, separator, extension } = site.settings
    const before = written(site)
    for (const rule of RULES) {
      const there = withRule(site, rule)
      const back = written(withRule(there, { layout, carrySection, separator, extension }))
      expect([...back.keys()]).toEqual([...before.keys()])
      for (const [path, bytes] of before) expect(back.get(path)!.equals(bytes)).toBe(true)
    }
  })
})
