import * as v from 'valibot'
import type { Difference } from '../publish/difference.ts'
import type { HostSettings } from '../publish/host.ts'
import type { FoundFile, Publication } from '../publish/report.ts'
import type { Trouble } from './publishRequests.ts'
import { checkedElsewhere } from './values.ts'

const host = v.object({
  id: v.string(),
  settings: checkedElsewhere<HostSettings>(),
  /** Whether a password or key is kept; what opens a host never comes to its author. */
  hasSecret: v.boolean(),
  /** The fingerprint of its key that was approved; empty before. */
  hostKey: v.string(),
})
/** A host as its author sees it. */
export type Host = Readonly<v.InferOutput<typeof host>>

/** The hosts of a site, and what this server allows. */
export const hostsAnswer = v.object({
  hosts: v.pipe(v.array(host), v.readonly()),
  /** The folders of the server's machine that sites may be published to. */
  folders: v.pipe(v.array(v.string()), v.readonly()),
  hasStandIn: v.boolean(),
  keepsSecrets: v.boolean(),
})
export type Hosts = Readonly<v.InferOutput<typeof hostsAnswer>>

const differs = { files: v.number(), difference: checkedElsewhere<Difference>() }

/** What publishing to a host would change now. */
export const whatChangesAnswer = v.object({
  revision: v.number(),
  ...differs,
  bytes: v.number(),
  /** What was chosen and is not published, and why. */
  leftOut: v.pipe(v.array(v.string()), v.readonly()),
  /** Where visitors find the site; empty where that is not known. */
  visitedAt: v.string(),
})
export type WhatChanges = Readonly<v.InferOutput<typeof whatChangesAnswer>>

/** What publishing an earlier publication again would change. */
export const whatReturnsAnswer = v.object(differs)
export type WhatReturns = Readonly<v.InferOutput<typeof whatReturnsAnswer>>

/** What came of trying to reach a host. */
export const triedAnswer = v.object({
  isReached: v.boolean(),
  /** What is wrong. */
  words: v.string(),
  /** Of an unknown SSH key or certificate, which the author may trust; or empty. */
  fingerprint: v.optional(v.string(), ''),
  /** Whether the folder of the site does not exist. */
  lacksFolder: v.boolean(),
  found: v.pipe(v.array(checkedElsewhere<FoundFile>()), v.readonly()),
  missing: v.pipe(v.array(v.string()), v.readonly()),
})
export type Tried = Readonly<v.InferOutput<typeof triedAnswer>>

export const publicationsAnswer = v.object({
  publications: v.pipe(v.array(checkedElsewhere<Publication>()), v.readonly()),
})

const keptFile = v.object({ path: v.string(), digest: v.string(), size: v.number(), keptAt: v.string() })
/** A file of somebody else on a host, which was kept before a publication took its place. */
export type KeptFile = Readonly<v.InferOutput<typeof keptFile>>
export const keptAnswer = v.object({ kept: v.pipe(v.array(keptFile), v.readonly()) })

/** What the stand-in host remembers of its visitors, and what is made to go wrong on it. */
export const standInAnswer = v.object({
  visits: v.pipe(v.array(v.object({ at: v.string(), path: v.string(), status: v.number() })), v.readonly()),
  trouble: checkedElsewhere<Trouble>(),
})
export type StandIn = Readonly<v.InferOutput<typeof standInAnswer>>
