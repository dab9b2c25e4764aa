import { measureAddress } from './measureAddress.ts'

test('a part is asked for by its reference, and a measurement by its name', () => {
  const address = measureAddress('b1', 'ring:1-2/towards-input', 'ring-gap')
  const { pathname, searchParams } = new URL(address, 'http://shop')
  expect(pathname).toBe('/boxes/b1/measure')
  expect([...searchParams]).toEqual([
    ['part', 'ring:1-2/towards-input'],
    ['measure', 'ring-gap'],
  ])
})

test('a reference with signs of its own stays whole; a look is seen without being chosen', () => {
  const { searchParams } = new URL(measureAddress('b1', 'gear:a&b=c #1', 'crack'), 'http://shop')
  expect([...searchParams]).toEqual([['part', 'gear:a&b=c #1']])
})
