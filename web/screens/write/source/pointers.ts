import type { CompletionContext, CompletionResult } from '@codemirror/autocomplete'
import { type Range, RangeSet } from '@codemirror/state'
import {
  Decoration,
  type DecorationSet,
  type EditorView,
  ViewPlugin,
  type ViewUpdate,
  WidgetType,
} from '@codemirror/view'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { whereItLeads } from '@viatica/core/content/linksOfPage.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryPointer, filePointer } from '@viatica/core/pointer/pointer.ts'
import { filesByPath, type Site } from '@viatica/core/plan/site.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { valueFor } from '@viatica/core/standard/present.ts'

/** Says after a pointer where it leads now. */
class LeadsTo extends WidgetType {
  constructor(
    readonly words: string,
    readonly isThere: boolean,
  ) {
    super()
  }

  override eq(other: LeadsTo): boolean {
    return other.words === this.words && other.isThere === this.isThere
  }

  override toDOM(): HTMLElement {
    const element = document.createElement('span')
    element.className = this.isThere ? 'leads-to' : 'leads-to dead'
    element.textContent = `→ ${this.words}`
    return element
  }
}

/** What stands in quotes: a pointer among it says where it leads. */
const QUOTED = /=\s*(["'])([^"']*)\1/g

function decorationsIn(view: EditorView, site: Site): DecorationSet {
  const found: Range<Decoration>[] = []
  for (const { from, to } of view.visibleRanges) {
    for (const match of view.state.doc.sliceString(from, to).matchAll(QUOTED)) {
      const leads = whereItLeads(site, match[2]!)
      if (!leads) continue
      const widget = new LeadsTo(leads.words, leads.isThere)
      found.push(Decoration.widget({ widget, side: 1 }).range(from + match.index + match[0].length))
    }
  }
  return RangeSet.of(found, true)
}

/** Shows where the pointers in sight lead. @param siteNow the site at this moment */
export function leadingTo(siteNow: () => Site) {
  return ViewPlugin.fromClass(
    class {
      decorations: DecorationSet
      #shown = siteNow()

      constructor(view: EditorView) {
        this.decorations = decorationsIn(view, this.#shown)
      }

      update(update: ViewUpdate): void {
        const site = siteNow()
        if (!update.docChanged && !update.viewportChanged && site === this.#shown) return
        this.#shown = site
        this.decorations = decorationsIn(update.view, site)
      }
    },
    { decorations: (plugin) => plugin.decorations },
  )
}

/** Completes what is typed into `href` with pages and files, into `src` with files: by label or path. */
export function completePointer(siteNow: () => Site) {
  return (context: CompletionContext): CompletionResult | null => {
    const typed = context.matchBefore(/(?:href|src)=["'][^"']*/)
    if (!typed) return null
    const site = siteNow()
    const from = typed.from + typed.text.search(/["']/) + 1
    const { paths } = addressesOf(site)
    const files = filesByPath(site).map(({ id, path }) => ({
      label: path,
      apply: filePointer(id),
      type: 'constant',
    }))
    const pages = [...walk(site.plan)].flatMap(({ entry }) =>
      entry.kind === 'page'
        ? [
            {
              label: labelOf(entry),
              detail: valueFor(paths, entry.id),
              apply: entryPointer(entry.id),
              type: 'class',
            },
          ]
        : [],
    )
    return {
      from,
      options: typed.text.startsWith('src') ? files : [...pages, ...files],
      validFor: /^[^"']*$/,
    }
  }
}
