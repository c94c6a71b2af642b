import { itemAt } from '@viatica/core/standard/present.ts'
import { SaxesParser, type SaxesTagNS } from 'saxes'
import { svgElementAttributes } from 'svg-element-attributes'
import { svgTagNames } from 'svg-tag-names'

const SVG = 'http://www.w3.org/2000/svg'
/** Namespaces in which something can run: https://www.w3.org/TR/xml-events/ and XHTML. */
const RUNNING_NAMESPACES = new Set(['http://www.w3.org/1999/xhtml', 'http://www.w3.org/2001/xml-events'])

/** Elements that run what is in them, or bring in pages. https://svgwg.org/svg2-draft/interact.html */
const RUNS = new Set(['script', 'handler', 'listener', 'foreignobject', 'iframe', 'object', 'embed'])

/** Every element of SVG 1.1, Tiny 1.2 and 2 but those that run something. */
const ELEMENTS = new Set(svgTagNames.map((name) => name.toLowerCase()).filter((name) => !RUNS.has(name)))

/** Every attribute that one of these elements has, by any of these versions, but those that run something. */
const ATTRIBUTES = new Set(
  [...Object.values(svgElementAttributes).flat(), 'style', 'class', 'id', 'tabindex', 'lang', 'role', 'href']
    .map((name) => name.toLowerCase())
    .filter((name) => !name.startsWith('on')),
)

/** Addresses that run when they are followed, or that bring in more than a picture. */
const RUNNING_ADDRESS = /^(javascript|vbscript|data:(?!image\/(png|jpe?g|gif|webp|avif)\b)|data:image\/svg)/i

/** Without the white space and control characters that browsers pass over in addresses. */
// eslint-disable-next-line no-control-regex -- naming control characters is the point
const withoutGaps = (value: string) => value.replace(/[\u0000-\u0020]/g, '')

type Attribute = SaxesTagNS['attributes'][string]

function attributeFault({ name, local, uri, value }: Attribute, of: string): string | undefined {
  const plain = local.toLowerCase()
  if (plain.startsWith('on')) return `has the attribute ${name}, which runs a script`
  // Animations can set an address too, to one of several values.
  const isAddress = /^(href|src|from|to|by|values|begin|action|formaction)$/.test(plain)
  if (isAddress && value.split(';').some((one) => RUNNING_ADDRESS.test(withoutGaps(one))))
    return `has an address that runs a script or holds a page (${name})`
  const isKnown = of !== SVG || uri !== '' || ATTRIBUTES.has(plain) || /^(?:data|aria)-/.test(plain)
  return isKnown ? undefined : `has the attribute ${name}, which SVG does not know`
}

function elementFault({ name, local, uri }: SaxesTagNS): string | undefined {
  const plain = local.toLowerCase()
  if (RUNS.has(plain) || RUNNING_NAMESPACES.has(uri)) return `holds <${name}>, which can run a script`
  // What drawing programs keep for themselves stands in namespaces of their own, and does nothing elsewhere.
  return uri !== SVG || ELEMENTS.has(plain) ? undefined : `holds <${name}>, which SVG does not know`
}

/**
 * The text of an SVG file as browsers read it: by its byte order mark, else as UTF-8. Undefined for what they could read
 * in another way, or not at all. https://www.w3.org/TR/xml/#charencoding
 */
export function svgText(bytes: Uint8Array): string | undefined {
  const [first, second] = bytes
  const encoding =
    first === 0xff && second === 0xfe ? 'utf-16le' : first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8'
  let text: string
  try {
    text = new TextDecoder(encoding, { fatal: true }).decode(bytes)
  } catch {
    return undefined
  }
  // A declaration of another encoding is believed by browsers where no mark says otherwise.
  const declared = /^<\?xml[^>]*?\bencoding\s*=\s*["']([^"'>]*)["']/.exec(text)?.[1]?.toLowerCase()
  const fits = encoding === 'utf-8' ? /^(utf-8|us-ascii)$/ : /^utf-16(le|be)?$/
  return text.includes('\0') || (declared !== undefined && !fits.test(declared)) ? undefined : text
}

/**
 * Why an SVG picture is refused, in words; undefined for one that is well-formed and can run nothing.
 * @param bytes of the file
 */
export function svgFault(bytes: Uint8Array): string | undefined {
  const text = svgText(bytes)
  if (text === undefined) return 'is not text in UTF-8 or UTF-16'
  let fault: string | undefined
  let root: SaxesTagNS | undefined
  const note = (what: string | undefined) => void (fault ??= what)
  const parser = new SaxesParser({ xmlns: true })
  parser.on('doctype', (doctype) => {
    // Its own declarations could hide markup, and attributes, from who reads the source.
    if (doctype.includes('[')) note('declares entities or attributes of its own')
  })
  parser.on('processinginstruction', ({ target }) => {
    if (target.toLowerCase() === 'xml-stylesheet') note('brings in a style sheet from elsewhere')
  })
  parser.on('opentag', (tag) => {
    root ??= tag
    note(elementFault(tag))
    for (const attribute of Object.values(tag.attributes)) note(attributeFault(attribute, tag.uri))
  })
  try {
    parser.write(text).close()
  } catch (error) {
    return `is not an SVG picture (${itemAt((error as Error).message.split('\n'), 0).replace(/\.$/, '')})`
  }
  if (root?.local !== 'svg' || root.uri !== SVG) return 'is not an SVG picture'
  return fault
}
