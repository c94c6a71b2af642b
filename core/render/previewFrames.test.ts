import fc from 'fast-check'
import { attribute, readPage } from '../testing/readPage.ts'
import { withNamedFrames } from './previewFrames.ts'

test.each([
  ['<iframe src="https://video.example.org/embed/1" title="A > B"></iframe>', 'video.example.org'],
  ["<IFRAME title=it's width=560 src='//maps.example.org/x?y=1&amp;z'></IFRAME>", 'maps.example.org'],
  ['<iframe\n  data-src="x" src=map.html></iframe>', 'map.html'],
])('%s shows its name', (frame, name) => {
  const [read] = readPage(withNamedFrames(`<!doctype html><title>x</title><p>a</p>${frame}<p>b</p>`)).all(
    'iframe',
  )
  expect(attribute(read!, 'src')).toBeUndefined()
  expect(attribute(read!, 'srcdoc')).toContain(name.replaceAll('&', '&amp;'))
})

test('a page without frames from elsewhere stays as it is, whatever is in it', () => {
  const part = fc.constantFrom(
    '<iframe srcdoc="<p>x</p>">',
    '<iframe>',
    '<iframes src="x">',
    'src="x"',
    '"',
    "'",
    '>',
    '<p>',
    ' ',
  )
  fc.assert(
    fc.property(fc.array(part), (parts) => {
      const html = parts.join('')
      if (!/<iframe(?=[\s/>])[^]*src="x"/.test(html)) expect(withNamedFrames(html)).toBe(html)
    }),
  )
})

test('leaves everything around frames unchanged, in any order', () => {
  const part = fc.constantFrom(
    '<iframe src="https://a.example.org/"></iframe>',
    '<p title="a>b">x</p>',
    "<p>it's</p>",
    '<img src="x.png" alt="">',
    '<iframe srcdoc="x"></iframe>',
  )
  fc.assert(
    fc.property(fc.array(part), (parts) => {
      const tags = (html: string) =>
        readPage(`<!doctype html><title>x</title>${html}`).elements.map((one) => [
          one.tagName,
          one.tagName === 'iframe' ? '' : one.attrs,
        ])
      expect(tags(withNamedFrames(parts.join('')))).toEqual(tags(parts.join('')))
      expect(withNamedFrames(parts.join(''))).not.toContain('src="https')
    }),
  )
})
