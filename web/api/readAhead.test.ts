import { jest } from '@jest/globals'
import { readAhead, takeAhead } from './readAhead.ts'
import { Refusal } from './request.ts'

const fetched = jest.spyOn(globalThis, 'fetch')
afterAll(() => fetched.mockRestore())

const answer = (revision: number) => ({ revision, stamp: null, site: {} })
const answers = (revision: number) =>
  fetched.mockResolvedValueOnce(new Response(JSON.stringify(answer(revision)), { status: 200 }))

test('a site that was asked for ahead is taken once, and by nobody who opens another', async () => {
  answers(4)
  readAhead('a b')
  expect(fetched).toHaveBeenLastCalledWith('/api/sites/a%20b', expect.objectContaining({ method: 'GET' }))
  expect(await takeAhead('a b')).toEqual(answer(4))
  expect(takeAhead('a b')).toBeUndefined()

  answers(5)
  readAhead('a b')
  expect(takeAhead('c')).toBeUndefined()
  expect(takeAhead('a b')).toBeUndefined()
})

test('what was asked for long ago is not taken: others may have changed the site', () => {
  answers(4)
  readAhead('a')
  const now = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 5001)
  expect(takeAhead('a')).toBeUndefined()
  now.mockRestore()
})

test('a site that cannot be read ahead is refused to who takes it', async () => {
  fetched.mockRejectedValueOnce(new TypeError('no connection'))
  readAhead('a')
  await expect(takeAhead('a')).rejects.toThrow(Refusal)
})
