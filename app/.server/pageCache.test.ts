import { MARKS, cachedPage, pageKey, recallPage, rememberPage } from './pageCache.ts'

const stamp = (nonce: string) => ({ nonce, version: `of ${nonce}` })

const shown = async (...asked: Parameters<typeof cachedPage>) =>
  (await cachedPage(...asked)).toString()

const context = { loaderData: { box: 1 }, actionData: null, errors: null, statusCode: 200 }

test('a page is rendered once, and each response has its own stamp', async () => {
  let rendered = 0
  const render = () => {
    rendered++
    return Promise.resolve(`<html data-version="${MARKS.version}"><script nonce="${MARKS.nonce}">`)
  }
  const key = pageKey('/boxes/1/trace', context)
  expect(await shown(key, stamp('one'), render)).toBe(
    '<html data-version="of one"><script nonce="one">',
  )
  expect(await shown(key, stamp('two'), render)).toBe(
    '<html data-version="of two"><script nonce="two">',
  )
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
  expect(await shown(null, stamp('n'), render)).toBe('0')
  expect(await shown(null, stamp('n'), render)).toBe('1')
})

describe('pages of a box, by its version', () => {
  const page = { key: pageKey('/boxes/1/count', context) ?? '', version: 'box 1' }

  test('the same address, cookie and version find the page with a new stamp', async () => {
    await cachedPage(page.key, stamp('one'), () => Promise.resolve(`page ${MARKS.nonce}`))
    rememberPage('/boxes/1/count?gear=a', 'theme=dark', page)
    const recalled = recallPage('/boxes/1/count?gear=a', 'theme=dark', 'box 1', stamp('two'))
    expect(recalled?.toString()).toBe('page two')
  })

  test.each([
    ['another version', '/boxes/1/count?gear=a', 'theme=dark', 'box 2'],
    ['another address', '/boxes/1/count?gear=b', 'theme=dark', 'box 1'],
    ['another cookie', '/boxes/1/count?gear=a', 'theme=light', 'box 1'],
    ['no cookie', '/boxes/1/count?gear=a', undefined, 'box 1'],
  ])('%s finds none', (_name, address, cookie, version) => {
    expect(recallPage(address, cookie, version, stamp('three'))).toBeUndefined()
  })

  test('a page that is no longer kept is not recalled', () => {
    rememberPage('/boxes/9/count', undefined, { key: 'nowhere', version: 'box 9' })
    expect(recallPage('/boxes/9/count', undefined, 'box 9', stamp('n'))).toBeUndefined()
  })
})
