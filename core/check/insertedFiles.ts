import type { EntryId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import type { Bits, Included, Override, TemplatePart } from '../plan/surround/templates.ts'
import type { TemplateWriter } from '../template/write.ts'

/** Returns the texts of some parts that are not computed. */
export const bitsOf = (parts: readonly (TemplatePart | Included['parts'][number])[]): Bits =>
  parts.flatMap((part) => (part.kind === 'text' ? part.bits : part.kind === 'own' ? part.usual : []))

/** Returns the texts of the overrides that stay until their author decides. */
export const bitsOfOverrides = (overrides: readonly Override[]): Bits =>
  overrides.flatMap(({ bits, over }) => (over === undefined ? bits : []))

const filesIn = (bits: Bits): string[] =>
  bits.flatMap((bit) => (typeof bit !== 'string' && 'to' in bit && bit.to === 'included' ? [bit.id] : []))

/** Returns a function from a page to the files with a learnt part that it inserts, directly or through one of them. */
export function insertedFiles(
  { surround: { templates } }: TemplatesSite,
  writer: TemplateWriter,
): (page: EntryId) => ReadonlySet<string> {
  const byFile = new Map(templates.included.map((one) => [one.file, one]))
  const within = (files: readonly string[], seen = new Set<string>()): Set<string> => {
    for (const file of files) {
      const one = byFile.get(file)
      if (!one || seen.has(file)) continue
      seen.add(file)
      within([...filesIn(bitsOf(one.parts)), ...filesIn(bitsOfOverrides(one.overrides))], seen)
    }
    return seen
  }
  const ofTemplate = new Map<string, readonly string[]>()
  return (page) => {
    const template = writer.templateOf(page)
    const files = ofTemplate.get(template.id) ?? filesIn(bitsOf(template.parts))
    ofTemplate.set(template.id, files)
    return within([...files, ...filesIn(bitsOfOverrides(writer.makingOf(page).overrides))])
  }
}
