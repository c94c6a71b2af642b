import { SaxesParser } from 'saxes'

/** Elements that run what is in them, or bring in pages. https://svgwg.org/svg2-draft/interact.html */
const RUNS = new Set(['script', 'handler', 'listener', 'foreignobject', 'iframe', 'object', 'embed'])

/** Addresses that run when they are followed, or that bring in more than a picture. */
const RUNNING_ADDRESS = /^(javascript|vbscript|data:(?!image\/(png|jpe?g|gif|webp|avif)\b)|data:image\/svg)/i

/** Without the white space and control characters that browsers pass over in addresses. */
// eslint-disable-next-line no-control-regex -- naming control characters is the point
const withoutGaps = (value: string) => value.replace(/[\u0000-\u0020]/g, '')

function attributeFault(name: string, value: string): string | undefined {
  const local = name.replace(/^.*:/, '').toLowerCase()
  if (local.startsWith('on')) return `has the attribute ${name}, which runs a script`
  // Animations can set an address too, to one of several values.
  const isAddress = /^(href|src|from|to|by|values|begin|action|formaction)$/.test(local)
  if (isAddress && value.split(';').some((one) => RUNNING_ADDRESS.test(withoutGaps(one))))
    return `has an address that runs a script or holds a page (${name})`
  return undefined
}

/**
 * Why an SVG picture is refused, in words; undefined for one that is well-formed and can run nothing.
 * @param text of the file; undefined where it is not text in UTF-8
 */
export function svgFault(text: string | undefined): string | undefined {
  if (text === undefined) return 'is not text in UTF-8'
  let fault: string | undefined
  let root: string | undefined
  const note = (what: string | undefined) => void (fault ??= what)
  const parser = new SaxesParser()
  parser.on('doctype', (doctype) => {
    // Entities could hide markup from who reads the source.
    if (/<!ENTITY/i.test(doctype)) note('declares entities')
  })
  parser.on('processinginstruction', ({ target }) => {
    if (target.toLowerCase() === 'xml-stylesheet') note('brings in a style sheet from elsewhere')
  })
  parser.on('opentag', ({ name, attributes }) => {
    root ??= name
    const local = name.replace(/^.*:/, '').toLowerCase()
    if (RUNS.has(local)) note(`holds <${name}>, which can run a script`)
    for (const [attribute, value] of Object.entries(attributes)) note(attributeFault(attribute, value))
  })
  try {
    parser.write(text).close()
  } catch (error) {
    return `is not an SVG picture (${(error as Error).message.split('\n')[0]!.replace(/\.$/, '')})`
  }
  if (root !== undefined && root.replace(/^.*:/, '') !== 'svg') return 'is not an SVG picture'
  return fault
}
