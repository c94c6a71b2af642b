import { problemOf } from './problem.ts'

const error = (code: string, message = 'x') => Object.assign(new Error(message), { code })

// https://www.postgresql.org/docs/15/errcodes-appendix.html
test.each([
  ['53100', 507, /disk of the server is full/],
  ['ENOSPC', 507, /disk of the server is full/],
  ['55P03', 503, /held up by other work/],
  ['57014', 503, /held up by other work/],
  ['57P01', 503, /database cannot be reached/],
  ['08006', 503, /database cannot be reached/],
  ['ECONNREFUSED', 503, /database cannot be reached/],
  ['23503', 500, /error of its own/],
])('the error %s is told as %i', (code, status, words) => {
  expect(problemOf(error(code))).toMatchObject({ status, message: expect.stringMatching(words) })
})
