import os from 'node:os'

import { namesOf } from './names.ts'

test('on loopback only loopback and stated names are answered to', () => {
  expect([...namesOf({})]).toEqual(['127.0.0.1', 'localhost', '[::1]'])
  expect([...namesOf({ HOST: '::1', NAMES: 'Bench.shop, tablet' })]).toEqual([
    '127.0.0.1',
    'localhost',
    '[::1]',
    'bench.shop',
    'tablet',
  ])
})

test('an open Udrix answers to the addresses of its machine, and to no name that nobody stated', () => {
  const names = namesOf({ HOST: '0.0.0.0', NAMES: 'bench.shop' })
  for (const all of Object.values(os.networkInterfaces()))
    for (const { address, family } of all ?? [])
      if (family === 'IPv4') expect(names.has(address)).toBe(true)
  expect(names.has('bench.shop')).toBe(true)
  expect(names.has('rebound.example')).toBe(false)
})
