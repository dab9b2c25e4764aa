import { z } from 'zod'

import { readForm, readJson, refuseInput, textOf } from './requests.ts'

const post = (body: BodyInit, type?: string): Request =>
  new Request('http://shop.example/boxes', {
    method: 'POST',
    body,
    headers: type === undefined ? {} : { 'Content-Type': type },
  })

/** What a reader throws instead of an answer: its status, and what it says. */
async function refusedBy(reading: Promise<unknown>): Promise<{ status: number; said: unknown }> {
  const thrown: unknown = await reading.then(
    () => undefined,
    (error: unknown) => error,
  )
  if (thrown instanceof Response) return { status: thrown.status, said: await thrown.json() }
  // The router's own way to throw an answer with its status.
  const { init, data } = thrown as { init: { status: number }; data: unknown }
  return { status: init.status, said: data }
}

test('the fields of a form are read; one that is not there is empty, and so is a file', async () => {
  const form = await readForm(
    post('name=Van%2C+unit+12&note=', 'application/x-www-form-urlencoded; charset=utf-8'),
  )
  expect(textOf(form, 'name')).toBe('Van, unit 12')
  expect(textOf(form, 'note')).toBe('')
  expect(textOf(form, 'gone')).toBe('')
  const files = new FormData()
  files.set('file', new Blob(['{}']), 'box.json')
  const read = await readForm(post(files))
  expect(textOf(read, 'file')).toBe('')
  expect(read.get('file')).toBeInstanceOf(File)
})

test('what no database keeps is taken out of names and values', async () => {
  const form = await readForm(post('na%00me=a%00b', 'application/x-www-form-urlencoded'))
  expect([...form]).toEqual([['name', 'ab']])
})

test('what is no form is refused: 415 for another type, 400 for one that is broken off', async () => {
  const { status, said } = await refusedBy(readForm(post('{}', 'application/json')))
  expect(status).toBe(415)
  expect(said).toMatch(/is no form/)
  const broken = post('--x\r\nContent-Disposition: form-da', 'multipart/form-data; boundary=x')
  expect((await refusedBy(readForm(broken))).status).toBe(400)
})

const JSON_TYPE = 'application/json; charset=utf-8'

test('what is not said to be JSON is not read as JSON', async () => {
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', undefined])
    expect(await refusedBy(readJson(post('{}', type)))).toMatchObject({ status: 415 })
})

test('JSON is read with its texts made storable', async () => {
  expect(await readJson(post('{"name":"a\\u0000b","at":[1,null]}', JSON_TYPE))).toEqual({
    name: 'ab',
    at: [1, null],
  })
})

test('what is no JSON, or nested too deeply, is refused with a sentence', async () => {
  expect(await refusedBy(readJson(post('{"name":', JSON_TYPE)))).toEqual({
    status: 400,
    said: { kind: 'refused', sentence: 'What was sent cannot be read. Load the page again.' },
  })
  const deep = await refusedBy(readJson(post('['.repeat(100) + ']'.repeat(100), JSON_TYPE)))
  expect(deep.said).toMatchObject({ sentence: expect.stringMatching(/nested deeper/) as string })
})

test('several things that are wrong are told one after another', () => {
  const parsed = z
    .object({ name: z.string('A box needs a name.'), teeth: z.number('Teeth are a number.') })
    .safeParse({})
  expect(parsed.error && refuseInput(parsed.error)).toMatchObject({
    kind: 'refused',
    sentence: 'A box needs a name. Teeth are a number.',
  })
})
