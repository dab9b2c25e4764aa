import type { Preselection } from 'core'
import { analyse, checkBox, findPreselections, indexBox, prepareSolver } from 'core'

import { dualClutch } from '../../core/testing/boxes.ts'

import { carryingSentence, changeSentence, waitingSentence } from './preselection.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = dualClutch()
const naming = { box: indexBox(draft), words: PLAIN_WORDS }

const checked = checkBox(draft)
if (!checked.ok) throw new Error('the box cannot be traced')
const solver = prepareSolver(checked.box)

function fourthBehindThird(): Preselection {
  const third = draft.positions.find(({ label }) => label === '3')
  const found = third ? findPreselections(solver, third) : []
  const fourth = found.find(({ position }) => position.label === '4')
  if (!fourth) throw new Error('fourth cannot wait')
  return fourth
}

test('which clutch carries, what is in, by how much the other slips, and the change', () => {
  const fourth = fourthBehindThird()
  expect(carryingSentence(naming, fourth)).toBe(
    'The odd clutch carries; the even clutch is open. Behind it can wait:',
  )
  // From 6 : 1 to 4 : 1 the engine goes from 1500 to 1000 rev/min.
  expect(waitingSentence(naming, fourth, analyse(solver, fourth.places), 1500)).toBe(
    '4 is in. The 2–4 sleeve, moved towards the output end, locks the 4th gear to the upper output shaft. The even clutch slips by 500\u00a0rev/min: its shaft turns slower than the engine.',
  )
  expect(changeSentence(naming, fourth)).toBe(
    'For 4 the odd clutch opens while the even clutch closes. No sleeve moves, and the torque does not pass through neutral.',
  )
})
