/** @jest-environment node */
import { threeShaftBox } from 'core'

import { alikeUnits, otherUnit } from './alikeUnits.ts'
import { createBox, deleteBox, findBox } from './boxes.ts'
import { onEmptyBench } from './testing/emptyBench.ts'

const four = threeShaftBox({ name: 'one', forwardCount: 4, directAt: 4, reverse: 'sliding-idler' })
const five = threeShaftBox({ name: 'five', forwardCount: 5, directAt: 4, reverse: 'sliding-idler' })

onEmptyBench()

test('units of a kind have the same shafts and gears, and are on the bench', async () => {
  const id = await createBox(four)
  const twin = await createBox({ ...four, name: 'twin' })
  const gone = await createBox({ ...four, name: 'gone' })
  await createBox(five)
  await deleteBox(gone)
  const box = await findBox(id)
  if (!box) throw new Error('no box')
  expect(await alikeUnits(box)).toEqual([{ id: twin, name: 'twin' }])
})

test('an address that names no unit brings none', async () => {
  const id = await createBox(four)
  expect(await otherUnit(id)).toMatchObject({ id, name: 'one', entries: [] })
  for (const asked of [null, 'nothing', '0192f7a0-0000-7000-8000-000000000001'])
    expect(await otherUnit(asked)).toBeNull()
})
