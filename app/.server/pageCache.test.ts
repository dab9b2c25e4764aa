import { NONCE_MARK, cachedPage, pageKey } from './pageCache.ts'

const context = { loaderData: { box: 1 }, actionData: null, errors: null, statusCode: 200 }

test('a page is rendered once, and each response has its own nonce', async () => {
  let rendered = 0
  const render = () => {
    rendered++
    return Promise.resolve(`<script nonce="${NONCE_MARK}">`)
  }
  const key = pageKey('/boxes/1/trace', context)
  expect(await cachedPage(key, 'one', render)).toBe('<script nonce="one">')
  expect(await cachedPage(key, 'two', render)).toBe('<script nonce="two">')
  expect(rendered).toBe(1)
})

test('another address, or other data, is another page', () => {
  const key = pageKey('/a', context)
  expect(pageKey('/b', context)).not.toBe(key)
  expect(pageKey('/a', { ...context, loaderData: { box: 2 } })).not.toBe(key)
  expect(pageKey('/a', { ...context })).toBe(key)
})

test('refusals, errors and answers to forms are not kept', async () => {
  expect(pageKey('/a', { ...context, statusCode: 503 })).toBeNull()
  expect(pageKey('/a', { ...context, errors: { root: 'gone' } })).toBeNull()
  expect(pageKey('/a', { ...context, actionData: { bench: {} } })).toBeNull()
  let rendered = 0
  const render = () => Promise.resolve(`${rendered++}`)
  expect(await cachedPage(null, 'n', render)).toBe('0')
  expect(await cachedPage(null, 'n', render)).toBe('1')
})
