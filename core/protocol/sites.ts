import * as v from 'valibot'
import type { SiteData } from '../plan/siteData.ts'
import type { FilePass } from '../render/filePass.ts'
import { checkedElsewhere } from './values.ts'

const siteSummary = v.object({
  id: v.string(),
  name: v.string(),
  tagline: v.string(),
  baseUrl: v.string(),
  pages: v.number(),
  changedAt: v.string(),
})
/** A site in the list of all. */
export type SiteSummary = Readonly<v.InferOutput<typeof siteSummary>>
export const sitesAnswer = v.object({ sites: v.array(siteSummary) })

/** A site at its newest revision. */
export const readAnswer = v.object({
  revision: v.number(),
  /** The id of the edit that made this revision; null for a site as it was made. */
  stamp: v.nullable(v.string()),
  site: checkedElsewhere<SiteData>(),
})
export type ReadAnswer = Readonly<v.InferOutput<typeof readAnswer>>

const room = v.object({
  used: v.number(),
  /** No limit where it is null. */
  most: v.nullable(v.number()),
})
/** How much the files of all sites have together, and may have, in bytes. */
export type Room = Readonly<v.InferOutput<typeof room>>

/** The key that the bytes of a file are kept under, how large a picture is, and the room that is left. */
export const keptFileAnswer = v.object({
  content: v.string(),
  room,
  pixels: v.optional(v.object({ width: v.number(), height: v.number() })),
})

/** The text of a file, by the key of its bytes. */
export const textAnswer = v.object({ text: v.string() })

/** What the addresses of files are signed with in previews; null where none is needed. */
export const previewPassAnswer = v.object({ pass: v.nullable(checkedElsewhere<FilePass>()) })
