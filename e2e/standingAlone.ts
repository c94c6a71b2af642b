import { piecesOf } from '@viatica/core/plan/surround/surround.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { MENU_SCRIPT } from '@viatica/core/render/menuScript.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { styleSheet } from '@viatica/core/render/style/styleSheet.ts'

const leaf = (id: string, title: string) => ({ ...newPage(id, title, { state: 'ready' }), entries: [] })

/** Six pages on three levels. */
export const SMALL_PLAN = planOfBranch({
  ...leaf('home', 'Home'),
  entries: [
    { ...leaf('visit', 'Visit'), entries: [leaf('times', 'Opening times'), leaf('access', 'Access')] },
    {
      ...leaf('boats', 'Boating'),
      entries: [{ ...leaf('locks', 'Locks'), entries: [leaf('mill', 'Mill Lock')] }],
    },
  ],
})

/** A page with its style sheet and script in it, so that it can stand by itself. */
export function standingAlone(site: Site, page: string): string {
  return createPageWriter(site, 2026)
    .page(page)
    .replace(
      /<link rel="stylesheet"[^>]*>/,
      () => `<style>${styleSheet(piecesOf(site.surround), 'fonts/')}</style>`,
    )
    .replace(/<script src="[^"]*"><\/script>/, () => `<script>${MENU_SCRIPT}</script>`)
}
