import type { Change } from '@viatica/core/plan/change/change.ts'
import type { SiteData } from '@viatica/core/plan/siteData.ts'
import { request } from './request.ts'

export interface SiteSummary {
  readonly id: string
  readonly name: string
  readonly pages: number
  readonly changedAt: string
}

export interface Edit {
  readonly id: string
  readonly base: number
  readonly change: Change
}

export interface Saved {
  readonly revision: number
  readonly missed: readonly { readonly revision: number; readonly change: Change }[]
}

const JSON_TYPE = 'application/json'
const SITE_FILE_TYPE = 'application/vnd.viatica.site+json'
const OPML_TYPE = 'text/x-opml'

const at = (id: string) => `/api/sites/${encodeURIComponent(id)}`

export const sitesApi = {
  list: () => request<{ sites: SiteSummary[] }>('GET', '/api/sites').then(({ sites }) => sites),

  create: (name: string) =>
    request<{ id: string }>('POST', '/api/sites', JSON.stringify({ name }), JSON_TYPE),

  /** Makes a site from a file: OPML when it begins as XML does, else a site file. */
  async createFromFile(file: File): Promise<{ id: string }> {
    const text = await file.text()
    const type = text.trimStart().startsWith('<') ? OPML_TYPE : SITE_FILE_TYPE
    return request('POST', '/api/sites', text, type)
  },

  read: (id: string) => request<{ revision: number; site: SiteData }>('GET', at(id)),
  remove: (id: string) => request<undefined>('DELETE', at(id)),
  save: (id: string, edit: Edit) =>
    request<Saved>('POST', `${at(id)}/changes`, JSON.stringify(edit), JSON_TYPE),

  /** Keeps the bytes of a picture that a change is about to add. */
  keepPicture: (file: File, name: string) =>
    request<{ content: string }>(
      'POST',
      `/api/contents/${encodeURIComponent(name)}`,
      file,
      'application/octet-stream',
    ),

  archiveUrl: (id: string) => `${at(id)}/archive.zip`,
  siteFileUrl: (id: string) => `${at(id)}/site.json`,
  outlineUrl: (id: string) => `${at(id)}/plan.opml`,
  previewUrl: (id: string, path: string) => `/preview/${encodeURIComponent(id)}/${path}`,
}
