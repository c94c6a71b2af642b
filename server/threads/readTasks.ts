import { checkJson } from '@viatica/core/formats/jsonDepth.ts'
import { readOpml } from '@viatica/core/formats/opml.ts'
import { readSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { readSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import * as v from 'valibot'
import { checkFile } from '../fileCheck.ts'
import { problemOf } from '../http/problem.ts'
import { editSchema } from '../http/editSchema.ts'

/** What is read in a thread. */
export type ReadTask =
  | { readonly kind: 'edit'; readonly bytes: Uint8Array }
  | { readonly kind: 'outline'; readonly bytes: Uint8Array }
  | { readonly kind: 'site file'; readonly bytes: Uint8Array }
  | { readonly kind: 'site archive'; readonly bytes: Uint8Array }
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly name: string }

export interface SiteToStore {
  readonly site: Site
  readonly contents: ReadonlyMap<string, Uint8Array>
}

/** @template Task an edit comes as JSON: its text is handed over, and read again, in a third of the time of its objects */
export type Reading<Task extends ReadTask> = Task['kind'] extends 'edit'
  ? string
  : Task['kind'] extends 'file'
    ? undefined
    : SiteToStore

/** The text of what came in, without its byte order mark; what is not UTF-8 in it reads as U+FFFD. */
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)

function siteOfFile(text: string): SiteToStore {
  const { site, contents } = readSiteFile(text)
  const bytes = new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')] as const))
  return { site, contents: bytes }
}

async function readingOf(task: ReadTask): Promise<string | SiteToStore | undefined> {
  switch (task.kind) {
    case 'edit':
      return JSON.stringify(v.parse(editSchema, checkJson(textOf(task.bytes)), { abortEarly: true }))
    case 'outline':
      return { site: readOpml(textOf(task.bytes)), contents: new Map() }
    case 'site file':
      return siteOfFile(textOf(task.bytes))
    case 'site archive':
      return readSiteArchive(task.bytes)
    case 'file':
      await checkFile(task.bytes, task.name)
      return undefined
  }
}

/** Reads what came in; what is wrong with it comes back as the words of a problem. */
export async function read(task: ReadTask): Promise<object> {
  try {
    return { read: await readingOf(task) }
  } catch (error) {
    const { status, title, message, extra } = problemOf(error as Error)
    if (status >= 500) throw error
    return { problem: [status, title, message, extra] }
  }
}
