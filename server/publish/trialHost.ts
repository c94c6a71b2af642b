import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import type { PageEntry } from '@viatica/core/plan/entry.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { isAtWork } from '@viatica/core/publish/report.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { HostStore } from './hostStore.ts'
import type { Publications } from './publications.ts'
import type { Publisher } from './publisher.ts'

/** The page of the demo of which a paragraph was written after it was published. */
const PAGE = 'opening-times'
const LOOK_MS = 200

/** The demo as it was when it was published to its trial host, and the text that was written since. */
export function beforeLastEdit(site: Site): { readonly site: Site; readonly html: string } {
  const page = site.plan.entries.get(PAGE) as PageEntry
  const { html } = page.body
  const body = { ...page.body, html: html.slice(0, html.trimEnd().lastIndexOf('\n') + 1) }
  const entries = new Map(site.plan.entries).set(PAGE, { ...page, body })
  return { site: { ...site, plan: { ...site.plan, entries } }, html }
}

export interface TrialParts {
  readonly store: SiteStore
  readonly hosts: HostStore
  readonly publications: Publications
  readonly publisher: Publisher
}

/** Publishes the demo to the stand-in host and writes what was written since, so that a newcomer sees what changes. */
export async function setUpTrialHost(
  { store, hosts, publications, publisher }: TrialParts,
  site: string,
  html: string,
): Promise<void> {
  const settings = {
    name: 'Test host',
    way: { by: 'stand-in' },
    address: '',
    choices: USUAL_CHOICES,
  } as const
  const host = await hosts.create(site, settings, {})
  const by = 'Viatica'
  const id = await publisher.begin({ site, host, again: undefined, by, letGo: new Map() })
  while (isAtWork((await publications.read(host, id)).state)) await wait(LOOK_MS)
  const { site: now, revision, stamp } = await store.sites.read(site)
  const page = now.plan.entries.get(PAGE) as PageEntry
  const value = { ...page.body, html }
  const change = { kind: 'setEntry', entry: PAGE, field: 'body', value } as const
  await store.edits.change(site, { id: randomUUID(), base: revision, stamp: stamp ?? undefined, change })
}
