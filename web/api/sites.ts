import type { Export } from '@viatica/core/formats/exports.ts'
import type { OutputChoices } from '@viatica/core/publish/choices.ts'
import type { SiteFile } from '@viatica/core/plan/file.ts'
import { historyAnswer, wayBackAnswer } from '@viatica/core/protocol/history.ts'
import {
  keptFileAnswer,
  previewPassAnswer,
  readAnswer,
  sitesAnswer,
  textAnswer,
} from '@viatica/core/protocol/sites.ts'
import { createdAnswer, noAnswer } from '@viatica/core/protocol/values.ts'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'
import { request } from './request.ts'

const JSON_TYPE = 'application/json'
const SITE_FILE_TYPE = 'application/vnd.viatica.site+json'
const ARCHIVE_TYPE = 'application/zip'
const OPML_TYPE = 'text/x-opml'

const sitesNamed = (name: string) =>
  name === '' ? '/api/sites' : `/api/sites?${new URLSearchParams({ name })}`
const at = (id: string) => `/api/sites/${encodeURIComponent(id)}`

export const sitesApi = {
  list: () => request(sitesAnswer, 'GET', '/api/sites').then(({ sites }) => sites),

  create: (name: string) => request(createdAnswer, 'POST', '/api/sites', JSON.stringify({ name }), JSON_TYPE),

  /** @param file its text, or an archive where it has much */
  createFromSiteFile: (file: string | Blob, signal?: AbortSignal) =>
    request(
      createdAnswer,
      'POST',
      '/api/sites',
      file,
      typeof file === 'string' ? SITE_FILE_TYPE : ARCHIVE_TYPE,
      signal,
    ),

  /** Makes a site from an archive that was taken away to open again. @param name of the site; empty for that of the file */
  createFromArchive: (archive: Blob, name: string) =>
    request(createdAnswer, 'POST', sitesNamed(name), archive, ARCHIVE_TYPE),

  /**
   * Makes a site from the text of a file: OPML when it begins as XML does, else a site file.
   * @param name of the site; empty for that of the file
   */
  createFromText: (text: string, name: string) =>
    request(
      createdAnswer,
      'POST',
      sitesNamed(name),
      text,
      text.trimStart().startsWith('<') ? OPML_TYPE : SITE_FILE_TYPE,
    ),

  read: (id: string) => request(readAnswer, 'GET', at(id)),
  remove: (id: string) => request(noAnswer, 'DELETE', at(id)),
  /** Says on which page this window writes, also while it closes; nobody waits for an answer. */
  announceWindow(id: string, where: WindowAt): void {
    navigator.sendBeacon(`${at(id)}/windows`, new Blob([JSON.stringify(where)], { type: JSON_TYPE }))
  },

  /** Up to a hundred changes before a revision, the newest first. */
  history: (id: string, before?: number) =>
    request(historyAnswer, 'GET', `${at(id)}/history${before === undefined ? '' : `?before=${before}`}`).then(
      ({ changes }) => changes,
    ),

  /** The change that makes the newest revision what it was at an earlier one. */
  wayBack: (id: string, revision: number) =>
    request(wayBackAnswer, 'GET', `${at(id)}/history/${revision}/way-back`),

  /**
   * Keeps the bytes of a file that a change is about to add.
   * @param signal stops the sending
   * @param asFound whether it came with existing pages, and may be of any kind
   */
  keepFile: (file: Blob, name: string, signal?: AbortSignal, asFound = false) =>
    request(
      keptFileAnswer,
      'POST',
      `/api/contents/${encodeURIComponent(name)}${asFound ? '?found' : ''}`,
      file,
      'application/octet-stream',
      signal,
    ),

  /** The text of a file, by the key of its bytes. */
  readText: (content: string) =>
    request(textAnswer, 'GET', `/api/contents/${content}/text`).then(({ text }) => text),

  /** Where a picture is shown from, by its bytes. */
  pictureUrl: ({ content, path }: SiteFile) =>
    `/api/contents/${content}/picture/${encodeURIComponent(path.replace(/^.*\//, ''))}`,
  /** The finished site as an archive, with what was chosen beside its pages. */
  archiveUrl: (id: string, { sitemap, robots, redirectPages, rules, includes }: OutputChoices) => {
    const yes = (value: boolean) => (value ? 'yes' : 'no')
    const files = { sitemap: yes(sitemap), robots: yes(robots), redirectPages: yes(redirectPages) }
    return `${at(id)}/archive.zip?${new URLSearchParams({ ...files, rules, includes })}`
  },
  exportUrl: (id: string, name: Export) => `${at(id)}/${name}`,
  /** What the addresses of files are signed with, in pages that this window shows; null where none is needed. */
  previewPass: (id: string) =>
    request(previewPassAnswer, 'POST', `${at(id)}/preview-pass`).then(({ pass }) => pass),
  /** @param shared the digest of what pages share, where these files may be kept as long as it is the same */
  previewUrl: (id: string, path: string, shared?: string) =>
    `/preview/${encodeURIComponent(id)}${shared === undefined ? '' : `~${shared}`}/${path}`,
  /** The path of a page or file, as it is written in the address of its preview; undefined for an address elsewhere. */
  previewedPath(id: string, url: string): string | undefined {
    const top = new URL(sitesApi.previewUrl(id, ''), location.href).href.slice(0, -1)
    return url.startsWith(top) ? /^(?:~[0-9a-z]+)?\/(.*)$/.exec(url.slice(top.length))?.[1] : undefined
  },
}
