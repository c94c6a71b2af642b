import { existsSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { pathToFileURL } from 'node:url'
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

/** A site with the bytes of its files by key. */
export interface LoadedSite {
  readonly site: Site
  readonly contents: Map<string, Buffer>
}

const read = (folder: URL, path: string) => readFileSync(new URL(path, folder), 'utf8')

function entryForFile(
  folder: URL,
  { changed = '', entries = [], kind = 'page', ...entry }: WrittenEntry,
): object {
  const path = `pages/${entry.id}.html`
  const body = existsSync(new URL(path, folder)) ? { html: read(folder, path), changed } : undefined
  return {
    kind,
    ...entry,
    ...(body && { body }),
    entries: entries.map((under) => entryForFile(folder, under)),
  }
}

/** A key for the bytes of a file, until the server names them by their digest. */
const contentKey = ({ id }: { id: string }) => id.replaceAll('-', '')

/** The text of a folder's site as a site file. */
function fileOf(folder: URL): string {
  const { settings, surround, files, plan } = JSON.parse(read(folder, 'plan.json')) as WrittenSite
  return JSON.stringify({
    format: 'viatica-site',
    version: 2,
    settings,
    surround,
    files: files.map((file) => ({ ...file, content: contentKey(file) })),
    plan: entryForFile(folder, plan),
    contents: Object.fromEntries(
      files.map((file) => [contentKey(file), Buffer.from(read(folder, file.path)).toString('base64')]),
    ),
  })
}

/** Where this package stands, also for those who have it built into a file of their own. */
const OWN_FOLDER = pathToFileURL(createRequire(import.meta.url).resolve('@viatica/demo/package.json'))

const readIn = (folder: string) => readSiteFile(fileOf(new URL(`${folder}/`, OWN_FOLDER)))

function load(folder: string): LoadedSite {
  const { site, contents } = readIn(folder)
  return {
    site,
    contents: new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')])),
  }
}

/** The demo site, the Wetherlock Canal Trust. All of it is invented. */
export const loadDemo = () => load('content')

/** A second, small site that was damaged on purpose, to show what Proof finds. All of it is invented, too. */
export const loadDamagedDemo = () => load('damaged')

/** The demo as a site file, as an author would take it away. */
export function demoSiteFile(): string {
  const { site, contents } = readIn('content')
  return writeSiteFile(site, contents)
}
