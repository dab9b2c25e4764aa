import jsQR from 'jsqr'

import { codeOf } from './codes.ts'

/** Squares of pixels for the path of a code, with the white margin that readers want. */
function pixelsOf({ size, path }: ReturnType<typeof codeOf>) {
  const [scale, margin] = [4, 4]
  const side = (size + 2 * margin) * scale
  const data = new Uint8ClampedArray(side * side * 4).fill(255)
  for (const [, x, y, width] of path.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g))
    for (let row = 0; row < scale; row++)
      for (let at = 0; at < Number(width) * scale; at++) {
        const pixel =
          ((Number(y) + margin) * scale + row) * side + (Number(x) + margin) * scale + at
        data.fill(0, pixel * 4, pixel * 4 + 3)
      }
  return { data, side }
}

test.each([
  'http://192.168.1.20:4800/boxes/01a21a0e-8dfa-70b8-a044-f64f4745dcd6',
  'https://shop.example/boxes/01a21a0e-8dfa-70b8-a044-f64f4745dcd6/measure?part=ring%3Acoupler-1-2%2F2',
  'http://127.0.0.1/boxes/x/measure?tray=Stück%207',
])('another package reads %s back from its code', (text) => {
  const { data, side } = pixelsOf(codeOf(text))
  expect(jsQR(data, side, side)?.data).toBe(text)
})
