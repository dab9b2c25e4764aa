/** @jest-environment node */
import { threeShaftBox } from 'core'

import { MOST_BESIDE } from '~/views/drive/besideUnits.ts'

import { unitsBeside, unitsToChoose } from './besideUnits.ts'
import { createBox, deleteBox } from './boxes.ts'
import { onEmptyBench } from './testing/emptyBench.ts'

const draft = threeShaftBox({ name: 'one', forwardCount: 4, directAt: 4, reverse: 'sliding-idler' })

onEmptyBench()

test('units to choose are the others on the bench', async () => {
  const id = await createBox(draft)
  const other = await createBox({ ...draft, name: 'other' })
  await deleteBox(await createBox({ ...draft, name: 'gone' }))
  expect(await unitsToChoose(id)).toEqual([{ id: other, name: 'other' }])
})

test('an address brings the units that it names, as many as one table holds', async () => {
  const ids: string[] = []
  for (let at = 0; at <= MOST_BESIDE; at++)
    ids.push(await createBox({ ...draft, name: `unit ${at}` }))
  const [first = '', second = '', ...rest] = ids
  expect(await unitsBeside(null)).toEqual([])
  const found = await unitsBeside(`${second}.nothing.${first}.${second}`)
  expect(found.map(({ name }) => name)).toEqual(['unit 1', 'unit 0'])
  expect(found[0]?.draft.gears.length).toBe(draft.gears.length)
  expect(await unitsBeside([first, second, ...rest].join('.'))).toHaveLength(MOST_BESIDE)
})
