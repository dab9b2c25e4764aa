import { oncePer } from './oncePer.ts'

test('asks once for each object, also where nothing is found', () => {
  const asked: string[] = []
  const findLength = oncePer(({ name }: { readonly name: string }) => {
    asked.push(name)
    return name.length || undefined
  })
  const named = { name: 'idler' }
  const nameless = { name: '' }
  expect([named, nameless, named, nameless].map(findLength)).toEqual([5, undefined, 5, undefined])
  expect(asked).toEqual(['idler', ''])
})

test('an equal object is another one', () => {
  const find = oncePer(({ teeth }: { readonly teeth: number }) => ({ teeth }))
  const gear = { teeth: 21 }
  expect(find(gear)).toBe(find(gear))
  expect(find({ ...gear })).not.toBe(find(gear))
})

test('what fails is asked again', () => {
  let asked = 0
  const find = oncePer((_: object) => {
    asked++
    if (asked === 1) throw new RangeError('not yet')
    return asked
  })
  const key = {}
  expect(() => find(key)).toThrow('not yet')
  expect(find(key)).toBe(2)
})
