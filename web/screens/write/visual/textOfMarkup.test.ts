import { textOfMarkup } from './textOfMarkup.ts'

test('a caption says its words, with what stands for signs resolved and without its tags', () => {
  expect(textOfMarkup('Times &amp; <b>days</b> &lt;new&gt;')).toBe('Times & days <new>')
  expect(textOfMarkup('')).toBe('')
})
