import { type ChildProcess, spawn } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import fc from 'fast-check'
import { bytesOfText } from '../formats/textBytes.ts'
import { addressesOf } from '../address/addresses.ts'
import { createRenderer } from '../render/renderer.ts'
import { elementsOf } from '../standard/fragment.ts'
import { attribute, readPage, textOf } from '../testing/readPage.ts'
import { EDITS, edited, sectionsOf } from '../testing/handEdits.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { type Files, found, written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { bring } from './bring.ts'

/**
 * Parts in files of their own, put in by the servers that authors have: PHP itself, and the Apache HTTP Server for Server
 * Side Includes, both from Debian. What they give out is what our own reading of a page is held against.
 */

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

const MODULES = ['mpm_event', 'authz_core', 'dir', 'mime', 'include', 'filter']

/** https://httpd.apache.org/docs/2.4/howto/ssi.html */
const apacheSettings = (folder: string, own: string, port: number) => `
Listen 127.0.0.1:${port}
ServerName 127.0.0.1
PidFile ${own}/pid
ErrorLog ${own}/errors
DefaultRuntimeDir ${own}
Mutex file:${own}
User www-data
${MODULES.map((name) => `LoadModule ${name}_module /usr/lib/apache2/modules/mod_${name}.so`).join('\n')}
TypesConfig /etc/mime.types
DocumentRoot ${folder}
DirectoryIndex index.shtml
<Directory ${folder}>
  Require all granted
  Options +Includes
  AddType text/html .shtml
  SetOutputFilter INCLUDES
</Directory>
`

/** Has some files given out by a server while something is done. @param use gets what reads an address */
async function served(
  by: 'php' | 'ssi',
  files: Files,
  use: (read: (path: string) => Promise<{ status: number; text: string }>) => Promise<void>,
): Promise<void> {
  const own = mkdtempSync(join(tmpdir(), 'viatica-server-'))
  const folder = join(own, 'site')
  for (const [path, text] of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true })
    writeFileSync(join(folder, path), text, 'latin1')
  }
  const port = await freePort()
  let server: ChildProcess
  if (by === 'php') server = spawn('php', ['-S', `127.0.0.1:${port}`, '-t', folder], { stdio: 'ignore' })
  else {
    chmodSync(own, 0o755)
    writeFileSync(join(own, 'settings'), apacheSettings(folder, own, port))
    server = spawn('/usr/sbin/apache2', ['-X', '-f', join(own, 'settings')], { stdio: 'ignore' })
  }
  const read = async (path: string) => {
    const answer = await fetch(`http://127.0.0.1:${port}/${path}`)
    return { status: answer.status, text: Buffer.from(await answer.arrayBuffer()).toString('latin1') }
  }
  try {
    for (let tries = 0; tries < 400; tries++) {
      if (
        await read('style.css').then(
          () => true,
          () => false,
        )
      )
        break
      await wait(25)
    }
    await use(read)
  } finally {
    server.kill('SIGKILL')
    rmSync(own, { recursive: true, force: true })
  }
}

const arbitraryShared = arbitraryHandSite.filter(({ habits }) => habits.shared !== 'no')

test('what PHP and SSI put in is what is shown of a page, and after an edit every link they give out leads to a page', async () => {
  await fc.assert(
    fc.asyncProperty(arbitraryShared, fc.constantFrom(...EDITS), fc.nat(), async (hand, kind, at) => {
      const by = hand.habits.shared.startsWith('php') ? 'php' : 'ssi'
      const { site, contents } = bring(handFiles(hand))
      const { after, byHand } = edited(hand, site, kind, at)
      // Where nothing was edited, the files are the same: so is what a server makes of them.
      expect(written(site, contents)).toEqual(found(handFiles(hand)))
      await served(by, written(after, contents), async (read) => {
        const renderer = createRenderer(after, YEAR)
        const { paths } = addressesOf(after)
        for (const { path, title } of byHand.pages) {
          const [id] = [...paths].find(([, one]) => one === path)!
          const { status, text } = await read(path)
          expect(status).toBe(200)
          const shown = { text: () => renderer.shown(id), encoding: renderer.encodingOf(id)! }
          expect(text).toBe(Buffer.from(bytesOfText(shown)).toString('latin1'))
          const { elements, all } = readPage(Buffer.from(text, 'latin1').toString('utf8'))
          if (hand.habits.encoding === 'utf-8') expect(textOf(all('h1')[0]!)).toBe(title)
          const menu = elements.find((one) => attribute(one, 'class') === 'menu')!
          const links = [...elementsOf(menu)].flatMap(({ element }) =>
            element.tagName === 'a' ? [element] : [],
          )
          if (hand.habits.encoding === 'utf-8' && !hand.habits.nested)
            expect(links.map(textOf)).toEqual(['Home', ...sectionsOf(byHand).map(({ label }) => label)])
          for (const link of all('a')) {
            const to = new URL(attribute(link, 'href')!, `http://x.invalid/${path}`).pathname.slice(1)
            expect(`${to} ${(await read(to)).status}`).toBe(`${to} 200`)
          }
        }
      })
    }),
    { numRuns: 12 },
  )
})
