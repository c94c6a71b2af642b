import type { TemplateId } from '../plan/ids.ts'
import type { Evidence } from './plan/evidence.ts'

/** Where a page says something else than what is the same on all, or than what follows from the plan. */
export interface Drift {
  readonly path: string
  readonly part: DriftPart
  /** What stands there; empty where something is missing. */
  readonly says: string
  /** What would stand there; empty where something is too much. */
  readonly expected: string
  /** Of the page's source, from 1. */
  readonly line: number
}

/** Where on a page something differs. */
export type DriftPart =
  | 'head'
  | 'title'
  | 'header'
  | 'menu'
  | 'mark'
  | 'breadcrumb'
  | 'pager'
  | 'heading'
  | 'banner'
  | 'footer'
  | 'styles'
  | 'links'

export type MarkForm = 'class' | 'attribute' | 'text' | 'element' | 'page-name' | 'none'

/** How a menu shows the page that a visitor is on. */
export interface FoundMark {
  readonly form: MarkForm
  /** The element that carries it. */
  readonly on: string
  /** The class, the attribute with its value, or the element. */
  readonly value: string
}

/** What was found in a folder of pages: the JSON that `viatica bring --report` writes. */
export interface FolderReport {
  readonly pages: readonly {
    readonly path: string
    readonly parent: string | null
    readonly title: string
    readonly label: string
    readonly template: TemplateId
    readonly evidence: Evidence
  }[]
  /** The pages in the order to read them; null where the pages tell none. */
  readonly order: readonly string[] | null
  readonly templates: readonly {
    readonly name: string
    readonly pages: readonly string[]
    readonly holes: readonly { readonly kind: string }[]
  }[]
  readonly menus: readonly {
    readonly name: string
    readonly items: readonly {
      readonly label: string
      readonly path?: string
      readonly url?: string
      readonly level: number
    }[]
    readonly mark: FoundMark
  }[]
  readonly drift: readonly Drift[]
  readonly files: readonly { readonly path: string; readonly type: string; readonly bytes: number }[]
  readonly includes: readonly string[]
  readonly leftover: readonly { readonly path: string; readonly reason: string }[]
}
