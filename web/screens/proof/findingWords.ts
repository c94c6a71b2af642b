import type { FindingPlace, Severity } from '@viatica/core/check/rule.ts'
import { ruleOf } from '@viatica/core/check/rules.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { menuOf, standingOf, templatesOf } from '@viatica/core/plan/surround/surround.ts'
import type { ShownFinding } from '../../workers/siteWorker.ts'

/** How findings can be put together. */
export const GROUPINGS = ['rule', 'page', 'severity'] as const
export type Grouping = (typeof GROUPINGS)[number]

export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  error: 'Errors',
  warning: 'Warnings',
  hint: 'Hints',
}

/** Where a finding is, in words. */
export function placeWords(site: Site, place: FindingPlace): string {
  switch (place.in) {
    case 'entry':
    case 'content': {
      const entry = site.plan.entries.get(place.entry)
      const label = entry ? labelOf(entry) : 'an entry that is gone'
      return place.in === 'content' ? `${label}, line ${place.line}` : label
    }
    case 'piece': {
      const standing = standingOf(site.surround, place.piece)
      return standing ? `${pieceName(standing.piece.kind)}, on every page` : 'a piece that is gone'
    }
    case 'menu':
      return `Menu “${menuOf(site.surround, place.menu)?.name ?? ''}”`
    case 'template': {
      const all = templatesOf(site.surround)?.templates ?? []
      return `Template “${all.find(({ id }) => id === place.template)?.name ?? ''}”`
    }
    case 'look':
      return 'Design'
  }
}

/** What a group of findings is called. */
export function groupOf(site: Site, finding: ShownFinding, by: Grouping): string {
  const rule = ruleOf(finding.rule)
  if (by === 'severity') return SEVERITY_WORDS[rule.severity]
  if (by === 'rule') return `${rule.about[0]!.toUpperCase()}${rule.about.slice(1)}`
  return placeWords(site, finding.place).replace(/, line \d+$/, '')
}
