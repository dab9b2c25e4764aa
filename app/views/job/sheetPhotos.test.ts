/** Photographs left off a sheet, as the address keeps them. */
import { leftOutPhotos, withPhotoOnSheet } from './sheetPhotos.ts'

test('all are on it at first', () => {
  expect(leftOutPhotos(null).size).toBe(0)
  expect(leftOutPhotos('').size).toBe(0)
})

test('one is left off and put on again, without touching the others', () => {
  const one = withPhotoOnSheet(leftOutPhotos(null), 'a', false)
  const two = withPhotoOnSheet(leftOutPhotos(one), 'b', false)
  expect([...leftOutPhotos(two)]).toEqual(['a', 'b'])
  expect(withPhotoOnSheet(leftOutPhotos(two), 'a', true)).toBe('b')
  // Left off twice is left off.
  expect(withPhotoOnSheet(leftOutPhotos(two), 'b', false)).toBe(two)
})
