import { deflateSync } from 'node:zlib'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { checkFile } from './fileCheck.ts'
import { Problem } from './http/problem.ts'
import { svgFault } from './svg.ts'

const svg = (inside = '', attributes = '') =>
  `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"${attributes}>${inside}</svg>`

const faultOf = (text: string) => svgFault(Buffer.from(text))

/** The first bytes of a PNG picture (PNG specification, section 5.2 and 11.2.2). */
const PNG = Buffer.concat([
  Buffer.from('89504e470d0a1a0a0000000d494844520000000100000001080600000000000000', 'hex'),
  deflateSync(Buffer.alloc(5)),
])
const PDF = Buffer.from('%PDF-1.7\n%âãÏÓ\n1 0 obj\n<<>>\nendobj\n')

test.each([
  ['a.svg', svg('<path d="M0 0h1v1z"/><a href="https://example.org/"><text>x</text></a>')],
  ['a.svg', svg('<image href="data:image/png;base64,AAAA"/>')],
  ['a.css', 'a { color: red }'],
  ['a.js', 'document.title = "<html>"'],
  ['a.txt', 'Ä text'],
  ['a.json', '{"a": 1}'],
  ['a.png', PNG],
  ['a.pdf', PDF],
  ['a.woff2', fontBytes('literata-latin-400-normal.woff2')],
])('%s that is what its name says is taken', async (name, bytes) => {
  await expect(checkFile(Buffer.from(bytes), name)).resolves.toBeUndefined()
})

test.each([
  ['a.png', PDF, /it is application\/pdf/],
  ['a.pdf', PNG, /it is image\/png/],
  ['a.woff2', Buffer.from('not a font'), /does not match its extension\./],
  ['a.css', Buffer.from([0xff, 0xfe, 0x00]), /not text/],
  ['a.css', Buffer.from('<!DOCTYPE html><title>404</title>'), /is a page/],
  ['a.js', Buffer.from('\n<html>'), /is a page/],
  ['a.json', Buffer.from('{"a":'), /not JSON/],
  ['a.txt', Buffer.from('a\0b'), /not text/],
  ['a.exe', Buffer.from('MZ'), /a kind that/],
  ['a', Buffer.from('x'), /a kind that/],
  ['a.svg', Buffer.from(''), /empty/],
  ['a.svg', Buffer.from('<!doctype html><p>x</p>'), /not an SVG picture/],
  ['a.svg', Buffer.from(svg('<script>alert(1)</script>')), /script/],
])('%s that is not is refused', async (name, bytes, reason) => {
  await expect(checkFile(bytes, name)).rejects.toThrow(reason)
  await expect(checkFile(bytes, name)).rejects.toBeInstanceOf(Problem)
})

// The ways to run a script that SVG 2 has: https://svgwg.org/svg2-draft/interact.html
test.each([
  ['a script', '<script>alert(1)</script>'],
  ['a script with a prefix', '<s:script xmlns:s="http://www.w3.org/2000/svg">alert(1)</s:script>'],
  ['a handler', '<rect onclick="alert(1)"/>'],
  ['a handler at the root', '', ' onload="alert(1)"'],
  ['an address that runs', '<a href="javascript:alert(1)"><text>x</text></a>'],
  ['the same with gaps', '<a xlink:href=" java&#10;script:alert(1)"><text>x</text></a>'],
  [
    'an address that an animation sets',
    '<a><animate attributeName="href" values="#;javascript:alert(1)"/></a>',
  ],
  ['a page inside', '<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>'],
  ['another SVG as data', '<use href="data:image/svg+xml,x#y"/>'],
  ['a page as data', '<a href="data:text/html,x"><text>x</text></a>'],
])('an SVG with %s is refused', (_, inside, attributes = '') => {
  expect(faultOf(svg(inside, attributes))).toMatch(/script|page|run/)
})

test('an SVG that hides markup in entities, or takes its looks from elsewhere, is refused', () => {
  expect(
    faultOf('<!DOCTYPE svg [<!ENTITY a "<script/>">]><svg xmlns="http://www.w3.org/2000/svg"/>'),
  ).toMatch(/entities/)
  expect(faultOf(`<?xml-stylesheet href="x.css"?>${svg().replace(/^<\?xml.*?\?>/, '')}`)).toMatch(
    /style sheet/,
  )
})

// Attributes by default: https://www.w3.org/TR/xml/#attdecls
test('an SVG that declares attributes of its own is refused, as is one that browsers read in another encoding', () => {
  expect(
    faultOf(
      '<!DOCTYPE svg [<!ATTLIST svg onload CDATA "alert(1)">]><svg xmlns="http://www.w3.org/2000/svg"/>',
    ),
  ).toMatch(/attributes of its own/)
  for (const encoding of ['gbk', 'big5', 'windows-1252', 'utf-7', 'iso-2022-jp'])
    expect(faultOf(svg().replace('version="1.0"', `version="1.0" encoding="${encoding}"`))).toMatch(/UTF-8/)
  expect(svgFault(Buffer.from([0xff, 0x3c, 0x00]))).toMatch(/UTF-8/)
  const declared = svg().replace('version="1.0"', 'version="1.0" encoding="UTF-16"')
  expect(svgFault(Buffer.from(`\ufeff${declared}`, 'utf16le'))).toBeUndefined()
  expect(faultOf(declared)).toMatch(/UTF-8/)
  expect(faultOf(svg().replace('version="1.0"', 'version="1.0" encoding="utf-8"'))).toBeUndefined()
})

test('an SVG may hold what drawing programs keep for themselves, and nothing that SVG does not know', () => {
  const drawn = `<sodipodi:namedview xmlns:sodipodi="http://sodipodi.sourceforge.net/DTD/sodipodi-0.dtd" pagecolor="#fff"/>
    <metadata><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"/></metadata>
    <defs><linearGradient id="a"><stop offset="0" style="stop-color:#000"/></linearGradient>
    <filter id="b"><feGaussianBlur stdDeviation="2" in="SourceGraphic"/></filter></defs>
    <path d="M0 0" fill="url(#a)" stroke-width="2" data-name="x" aria-hidden="true" xml:space="preserve"/>
    <text x="1" y="2" font-family="serif" text-anchor="middle"><tspan dx="1">x</tspan></text>`
  expect(faultOf(svg(drawn))).toBeUndefined()
  expect(faultOf(svg('<blink/>'))).toMatch(/does not know/)
  expect(faultOf(svg('<path formaction="x"/>'))).toMatch(/does not know/)
  expect(faultOf(svg('<h:p xmlns:h="http://www.w3.org/1999/xhtml"/>'))).toMatch(/script/)
  expect(faultOf('<svg/>')).toMatch(/not an SVG picture/)
})
