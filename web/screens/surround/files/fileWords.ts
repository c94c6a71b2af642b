import type { FileUse } from '@viatica/core/files/uses.ts'
import { type FileKind, fileTypeOf } from '@viatica/core/plan/file.ts'

export const KIND_WORDS: Readonly<Record<FileKind, string>> = {
  picture: 'picture',
  style: 'style sheet',
  script: 'script',
  font: 'font',
  download: 'download',
}

export function kindOf(path: string): FileKind {
  return fileTypeOf(path)?.kind ?? 'download'
}

/** A size as people read it: 820 bytes, 14 kB, 2.5 MB. */
export function sizeWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} bytes`
  if (bytes < 1_000_000) return `${Math.round(bytes / 1000)} kB`
  return `${(bytes / 1_000_000).toFixed(1)} MB`
}

/** Where a file is used, in words. */
export function useWords({ where, label, entry }: FileUse): string {
  switch (where) {
    case 'logo':
      return 'the picture of the site'
    case 'icon':
      return 'the icon of the site'
    case 'banner':
      return `the banner of “${label}”`
    case 'content':
      return `the main content of “${label}”`
    case 'link':
      return `the link “${label}” in the plan`
    case 'every page':
      return 'the head of every page'
    case 'style sheet':
      return `the style sheet ${label}`
    case 'piece':
      return `${label}, around the content`
    case 'template':
      return entry === undefined ? label : `the HTML around the content of “${label}”`
  }
}
