import { checkJson } from '@viatica/core/formats/jsonDepth.ts'
import { readOpml } from '@viatica/core/formats/opml.ts'
import { readSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { readSiteFile } from '@viatica/core/formats/siteFile.ts'
import { readChange } from '@viatica/core/plan/change/change.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { serialize } from 'node:v8'
import * as v from 'valibot'
import { pixelsOf } from '../pictureSize.ts'
import type { Pixels } from '@viatica/core/plan/file.ts'
import { checkFile } from '../fileCheck.ts'
import { editSchema } from '@viatica/core/protocol/editRequests.ts'
import { type Outcome, outcomeOf } from './outcome.ts'

/** What is read in a thread. */
export type ReadTask =
  | { readonly kind: 'edit'; readonly bytes: Uint8Array }
  | { readonly kind: 'change'; readonly bytes: Uint8Array }
  | { readonly kind: 'outline'; readonly bytes: Uint8Array }
  | { readonly kind: 'site file'; readonly bytes: Uint8Array }
  | { readonly kind: 'site archive'; readonly bytes: Uint8Array }
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly name: string }

export interface SiteToStore {
  readonly site: Site
  readonly contents: ReadonlyMap<string, Uint8Array>
}

/**
 * What is handed over. @template Task of an edit or a logged change its JSON, which is read again in a third of the time of its objects; of a
 * site its bytes, which go on to the thread that stores it
 */
export type Reading<Task extends ReadTask> = Task['kind'] extends 'edit' | 'change'
  ? string
  : Task['kind'] extends 'file'
    ? Pixels | undefined
    : Uint8Array

/** The text of what came in, without its byte order mark; what is not UTF-8 in it reads as U+FFFD. */
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)

function siteOfFile(text: string): SiteToStore {
  const { site, contents } = readSiteFile(text)
  const bytes = new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')] as const))
  return { site, contents: bytes }
}

/** A site as bytes that another thread reads: nobody in between takes the time to make objects of it. */
const handedOn = (site: SiteToStore): Uint8Array => serialize(site)

async function readingOf(task: ReadTask): Promise<string | Uint8Array | Pixels | undefined> {
  switch (task.kind) {
    case 'edit':
      return JSON.stringify(v.parse(editSchema, checkJson(textOf(task.bytes)), { abortEarly: true }))
    case 'change':
      return JSON.stringify(readChange(JSON.parse(textOf(task.bytes))))
    case 'outline':
      return handedOn({ site: readOpml(textOf(task.bytes)), contents: new Map() })
    case 'site file':
      return handedOn(siteOfFile(textOf(task.bytes)))
    case 'site archive':
      return handedOn(await readSiteArchive(task.bytes))
    case 'file':
      await checkFile(task.bytes, task.name)
      return pixelsOf(task.bytes, task.name)
  }
}

/** Reads what came in. */
export const read = <Task extends ReadTask>(task: Task): Promise<Outcome<Reading<Task>>> =>
  outcomeOf(() => readingOf(task) as Promise<Reading<Task>>)
