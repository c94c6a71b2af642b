import { type Branch, branchOf, planOfBranch } from './branch.ts'
import type { SiteFile } from './file.ts'
import { filesByPath, type Settings, type Site } from './site.ts'
import type { Surround } from './surround/surround.ts'

/** A site as JSON can carry it: the plan as one branch, the files as a list. */
export interface SiteData {
  readonly settings: Settings
  readonly surround: Surround
  readonly files: readonly SiteFile[]
  readonly plan: Branch
}

/** Lays a site out as JSON can carry it. */
export function toSiteData(site: Site): SiteData {
  const { settings, surround, plan } = site
  return { settings, surround, files: filesByPath(site), plan: branchOf(plan, plan.home) }
}

/** The site that was laid out by toSiteData. The data must be sound: it is not checked again. */
export function fromSiteData({ settings, surround, files, plan }: SiteData): Site {
  return {
    settings,
    surround,
    files: new Map(files.map((file) => [file.id, file])),
    plan: planOfBranch(plan),
  }
}
