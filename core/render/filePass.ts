import { hmac } from '@noble/hashes/hmac.js'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { parse } from 'parse5'
import { changedReferencesOf, rewritten } from '../pointer/inHtml.ts'
import { isLoaded } from '../pointer/loaded.ts'
import { withStyleReferences } from '../pointer/styleReferences.ts'
import { type Node, placingAdapter } from '../standard/fragment.ts'
import { asBrowsersRead, resolveReference, withoutQuery } from '../standard/reference.ts'

/**
 * Lets the pages of a preview load their files where an access key is needed. These pages have an origin of their own, to
 * whose requests browsers add no cookie. So the address of each file is signed for this file alone: a script of the page,
 * which can read the addresses, learns nothing that opens anything else.
 */
export interface FilePass {
  /** Names the pass; part of each address. */
  readonly id: string
  /** The secret that addresses are signed with: never on a page. */
  readonly key: string
}

/** The name of the query parameter that holds the signature. */
export const PASS_PARAMETER = 'pass'

/** Bits of a signature that are written, in hexadecimal digits: 128 bits (RFC 2104, section 5, allows half of the hash). */
const SIGNATURE_DIGITS = 32

/** Returns the value of the parameter for the file at a path of the site: the pass, and HMAC-SHA-256 (RFC 2104) of the path. */
export function signedPath({ id, key }: FilePass, path: string): string {
  const signature = bytesToHex(hmac(sha256, utf8ToBytes(key), utf8ToBytes(path)))
  return `${id}.${signature.slice(0, SIGNATURE_DIGITS)}`
}

/** The page or style sheet whose references are signed. */
export interface Referring {
  /** Its path within the site. */
  readonly path: string
  /** The path of the preview, `/` at both ends. */
  readonly top: string
}

/** Any host: only paths are compared. */
const ORIGIN = 'http://preview.invalid'

function decodedPath(path: string): string | undefined {
  try {
    return decodeURIComponent(path)
  } catch {
    return undefined
  }
}

/** Returns a reference whose dot segments are plain dots. https://url.spec.whatwg.org/#double-dot-path-segment */
function withPlainDots(reference: string): string {
  const path = withoutQuery(reference)
  const plain = path.replace(/(?<=^|\/)(?:\.|%2e){1,2}(?=\/|$)/gi, (dots) => dots.replace(/%2e/gi, '.'))
  return plain + reference.slice(path.length)
}

/** Returns what signs a reference; it returns undefined for one that is not to a file of the preview. */
function signer(pass: FilePass, { path, top }: Referring): (reference: string) => string | undefined {
  const base = `${ORIGIN}${top}${path.split('/').map(encodeURIComponent).join('/')}`
  const known = new Map<string, string | undefined>()
  const sign = (reference: string): string | undefined => {
    const read = asBrowsersRead(reference)
    if (read === '' || read.startsWith('#')) return undefined
    const address = resolveReference(base, withPlainDots(read))
    if (!address.startsWith(ORIGIN + top)) return undefined
    const file = decodedPath(withoutQuery(address).slice(ORIGIN.length + top.length))
    if (file === undefined || file === '') return undefined
    const [, before = '', query = '', fragment = ''] = /^([^?#]*)(\?[^#]*)?(#.*)?$/s.exec(read) ?? []
    const parameter = `${PASS_PARAMETER}=${signedPath(pass, file)}`
    return `${before}${query === '' ? '?' : `${query}&`}${parameter}${fragment}`
  }
  return (reference) => {
    if (!known.has(reference)) known.set(reference, sign(reference))
    return known.get(reference)
  }
}

/** Returns a page with the addresses of its files signed; every other byte stays. */
export function withSignedFiles(page: string, pass: FilePass, referring: Referring): string {
  // Pages of a preview may be shown without scripts.
  const tree = parse(page, {
    sourceCodeLocationInfo: true,
    scriptingEnabled: false,
    treeAdapter: placingAdapter,
  })
  return rewritten(
    page,
    changedReferencesOf(page, tree as { childNodes: Node[] }, signer(pass, referring), isLoaded),
  )
}

/** Returns a style sheet with the addresses of its files signed. */
export const withSignedStyle = (css: string, pass: FilePass, referring: Referring): string =>
  withStyleReferences(css, signer(pass, referring))
