/**
 * What two pages say of the same thing is the same, over the units of the demo with whatever was found
 * on them: Measure and labels, Half engaged, the parts list, complaints.
 */
import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

import fc from 'fast-check'

import type { Entry, UnitPart } from 'core'
import {
  VERDICTS,
  checkBox,
  complaintsOf,
  condemnedParts,
  engageables,
  evidenceFor,
  indexBox,
  latestFindings,
  pathToRing,
  piecesOfKey,
  prepareSolver,
  readJob,
  refOfPiece,
  standingVerdict,
  unitParts,
} from 'core'

import { ROOT } from '../../scripts/paths.mjs'
import { parseBoxFile } from '~/files/boxFile.ts'
import { unitPartName } from '~/words/jobs.ts'
import { capitalize } from '~/words/names.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { labelsOf } from './labels/labels.ts'
import { orderLines } from './order/orderLines.ts'
import { isRingCondemned } from './shift/contactView.ts'

const DEMO = path.join(ROOT, 'app/.server/demo/boxes')

/** Something seen of some parts, each with a grade. */
function seenOf(parts: readonly UnitPart[]): fc.Arbitrary<readonly Entry[]> {
  const one = fc
    .tuple(fc.constantFrom(...parts), fc.nat(), fc.constantFrom(...VERDICTS))
    .map(([{ ref, looks }, at, grade]) => ({
      kind: 'look' as const,
      part: ref,
      look: looks[at % looks.length] ?? ('crack' as const),
      grade,
    }))
  return fc.array(one, { minLength: 1, maxLength: 8 }).map((bodies) =>
    bodies.map((body, at): Entry => ({
      id: `01a00000-0000-7000-8000-00000000000${at}`,
      at: `2026-11-26T10:00:0${at}.000Z`,
      by: 'AB',
      body,
    })),
  )
}

test.each(readdirSync(DEMO))('%s: what is to be replaced is so on every page', (file) => {
  const parsed = parseBoxFile(readFileSync(path.join(DEMO, file), 'utf8'))
  const checked = parsed.ok && checkBox(parsed.draft)
  if (!checked || !checked.ok) throw new Error(file)
  const { draft } = checked.box
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const parts = unitParts(draft)
  const complaints = complaintsOf(prepareSolver(checked.box))
  const looked = parts.filter(({ looks }) => looks.length > 0)
  fc.assert(
    fc.property(seenOf(looked), (log) => {
      const job = readJob(log)
      const condemned = condemnedParts(naming.box, job)
      // Labels of what is to be replaced, after that of the unit.
      expect(
        labelsOf(naming, 'id', job, 'replace')
          .slice(1)
          .map(({ title }) => title),
      ).toEqual(
        parts
          .filter(({ ref }) => condemned.has(ref))
          .map(({ ref }) => capitalize(unitPartName(naming, ref))),
      )
      for (const { coupler, place } of engageables(draft))
        expect(isRingCondemned(naming.box, job, { coupler, place })).toBe(
          condemned.has(pathToRing(coupler.id, place.id)),
        )
      const ordered = new Set(
        orderLines(naming, job).flatMap(({ key }) => [
          key,
          ...piecesOfKey(naming.box, key).map((piece) => refOfPiece(naming.box, piece)),
        ]),
      )
      for (const part of condemned) expect([part, ordered.has(part)]).toEqual([part, true])
      const latest = latestFindings(job)
      for (const complaint of complaints)
        for (const { finding, verdict } of evidenceFor(draft, job, complaint).wrong)
          expect([latest.includes(finding), standingVerdict(finding)]).toEqual([true, verdict])
    }),
    { numRuns: 40 },
  )
})
