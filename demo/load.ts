import { existsSync, readFileSync } from 'node:fs'
import { readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { Site } from '@viatica/core/plan/site.ts'

/** The demo's plan as it is written down: like that of a site file, with main content in files of its own. */
interface WrittenEntry {
  id: string
  kind?: string
  /** The day that the main content last changed. */
  changed?: string
  entries?: WrittenEntry[]
}

interface WrittenSite {
  settings: object
  surround: object
  /** The files of the site; their bytes stand at the same paths beside the plan. */
  files: { id: string; path: string; alt?: string }[]
  plan: WrittenEntry
}

const content = new URL('content/', import.meta.url)

function read(path: string): string {
  return readFileSync(new URL(path, content), 'utf8')
}

function entryForFile({ changed = '', entries = [], kind = 'page', ...entry }: WrittenEntry): object {
  const path = `pages/${entry.id}.html`
  const body = existsSync(new URL(path, content)) ? { html: read(path), changed } : undefined
  return { kind, ...entry, ...(body && { body }), entries: entries.map(entryForFile) }
}

/** A key for the bytes of a file, until the server names them by their digest. */
const contentKey = ({ id }: { id: string }) => id.replaceAll('-', '')

/** The text of the demo as a site file. */
function demoFile(): string {
  const { settings, surround, files, plan } = JSON.parse(read('plan.json')) as WrittenSite
  return JSON.stringify({
    format: 'viatica-site',
    version: 2,
    settings,
    surround,
    files: files.map((file) => ({ ...file, content: contentKey(file) })),
    plan: entryForFile(plan),
    contents: Object.fromEntries(
      files.map((file) => [contentKey(file), Buffer.from(read(file.path)).toString('base64')]),
    ),
  })
}

/** The demo site, the Wetherlock Canal Trust, with the bytes of its pictures by key. All of it is invented. */
export function loadDemo(): { site: Site; contents: Map<string, Buffer> } {
  const { site, contents } = readSiteFile(demoFile())
  return {
    site,
    contents: new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')])),
  }
}

/** The demo as a site file, as an author would take it away. */
export function demoSiteFile(): string {
  const { site, contents } = readSiteFile(demoFile())
  return writeSiteFile(site, contents)
}
