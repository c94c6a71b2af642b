import { fileTypeOf } from '@viatica/core/plan/file.ts'
import { fileTypeFromBuffer } from 'file-type'
import { Problem } from './http/problem.ts'
import { svgFault } from './svg.ts'
import { tableOf } from '@viatica/core/standard/table.ts'

/** Media types under which one kind of content goes by several names. */
const SAME_AS = tableOf<readonly string[]>({
  'image/x-icon': ['image/vnd.microsoft.icon'],
  'audio/mpeg': ['audio/mp3'],
  'font/ttf': ['font/sfnt'],
  'font/otf': ['font/sfnt'],
})

/** Endings whose files are text, which has no mark of its own. */
const IS_TEXT = /^(text\/|application\/json$)/

function textOf(bytes: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return undefined
  }
}

/** What is wrong with bytes that should be text of a media type; undefined when it may be that. */
function textFault(bytes: Uint8Array, media: string): string | undefined {
  const text = textOf(bytes)
  if (text === undefined || text.includes('\0')) return 'is not text in UTF-8'
  if (media === 'application/json') {
    try {
      JSON.parse(text)
    } catch {
      return 'is not JSON'
    }
  }
  // A page that was saved under another name: what a server says when it does not find the file.
  if (/^(text\/css|text\/javascript)$/.test(media) && /^\s*<(!doctype|html|\?xml)/i.test(text))
    return 'is a page'
  return undefined
}

/**
 * Checks by its content that a file is what its name says, and that it is safe to show.
 * @param name a file name or path
 * @throws Problem 415 for what sites do not hold, or what is not what its name says
 */
export async function checkFile(bytes: Uint8Array, name: string): Promise<void> {
  const type = fileTypeOf(name)
  const refuse = (title: string, detail: string) => new Problem(415, title, `${name} ${detail}.`)
  if (!type) throw refuse('Unknown kind of file', 'is of a kind that a site does not hold')
  if (bytes.length === 0) throw refuse('Empty file', 'is empty')
  if (type.media === 'image/svg+xml') {
    const fault = svgFault(bytes)
    if (fault) throw refuse('Refused', fault)
    return
  }
  if (IS_TEXT.test(type.media)) {
    const fault = textFault(bytes, type.media)
    if (fault) throw refuse('Not what its name says', fault)
    return
  }
  // A file that is cut short ends the reading before its type is known.
  const found = await fileTypeFromBuffer(bytes).then(
    (type) => type?.mime,
    () => undefined,
  )
  if (found !== type.media && !SAME_AS.get(type.media)?.includes(found ?? ''))
    throw refuse(
      'Not what its name says',
      `has content that does not match its extension${found ? `: it is ${found}` : ''}`,
    )
}
