import * as v from 'valibot'
import { listOf } from '../standard/list.ts'
import { type Branch, branchForJson, branchOf, branchSchema, planOfBranch } from './branch.ts'
import { MAX_FILES, type SiteFile, siteFileSchema } from './file.ts'
import { type Gone, goneByPointer, goneList, goneListSchema } from './gone.ts'
import {
  DEFAULT_SETTINGS,
  filesByPath,
  type SettingName,
  settingSchemas,
  type Settings,
  type Site,
} from './site.ts'
import { earlierSurroundSchema } from './surround/earlier.ts'
import { STANDARD_SURROUND, type Surround, surroundSchema } from './surround/surround.ts'

/** A site as JSON can carry it: the plan as one branch, the files as a list. */
export interface SiteData {
  readonly settings: Settings
  readonly surround: Surround
  readonly files: readonly SiteFile[]
  readonly plan: Branch
  readonly gone: readonly Gone[]
}

const settingEntries = {
  ...(Object.fromEntries(
    Object.entries(settingSchemas).map(([name, schema]) =>
      name === 'name'
        ? [name, schema]
        : [
            name,
            v.optional(schema as v.GenericSchema, DEFAULT_SETTINGS[name as Exclude<SettingName, 'name'>]),
          ],
    ),
  ) as unknown as typeof settingSchemas),
}

/** What a site that was laid out has, each with what it is where an earlier version did not have it. */
export const siteDataEntries = {
  settings: v.strictObject(settingEntries),
  surround: v.optional(surroundSchema, STANDARD_SURROUND),
  files: v.optional(listOf(siteFileSchema, MAX_FILES), []),
  plan: branchSchema,
  gone: v.optional(goneListSchema, []),
}
/** The same as earlier versions stored it. */
export const earlierSiteDataEntries = {
  ...siteDataEntries,
  surround: v.optional(earlierSurroundSchema, STANDARD_SURROUND),
}
const siteDataSchema = v.strictObject(earlierSiteDataEntries)

/**
 * Reads a site that was stored as JSON, whichever version of Viatica stored it.
 * @throws ValiError for what no version can have stored
 */
export const readSiteData = (stored: unknown): SiteData => v.parse(siteDataSchema, stored) as SiteData

/** Lays a site out as JSON can carry it. */
export function toSiteData(site: Site): SiteData {
  const { settings, surround, plan, gone } = site
  return {
    ...{ settings, surround, files: filesByPath(site) },
    ...{ plan: branchOf(plan, plan.home), gone: goneList(gone) },
  }
}

/** What `toSiteData` lays out, to be written as JSON with pauses. */
export function siteForJson(site: Site): object {
  const { settings, surround, plan, gone } = site
  const laidOut = branchForJson(plan, plan.home, (entry, entries) => ({ ...entry, entries }))
  return { settings, surround, files: filesByPath(site), plan: laidOut, gone: goneList(gone) }
}

/** The site that was laid out by toSiteData. The data must be sound: it is not checked again. */
export function fromSiteData({ settings, surround, files, plan, gone }: SiteData): Site {
  return {
    settings,
    surround,
    files: new Map(files.map((file) => [file.id, file])),
    plan: planOfBranch(plan),
    gone: goneByPointer(gone),
  }
}
