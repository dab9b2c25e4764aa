import { useState } from 'react'

import type { ConeCount, ReadingUnit } from 'core'
import { coneWearMm, figureOf } from 'core'

import { TypedField } from '~/components/Fields.tsx'
import { UNIT_NAMES, formatFigure } from '~/words/measures.ts'

/** Half the angle of a synchronizer's cone lies between these, in degrees (common practice). */
const LEAST_HALF_ANGLE_DEG = 3
const MOST_HALF_ANGLE_DEG = 15

interface ConeWearProps {
  /** The least gap measured, in mm. */
  readonly gapMm: number | undefined
  readonly cones: ConeCount
  readonly unit: ReadingUnit
}

/** What a gap means as wear, against a new ring pressed on the same cone. */
export function ConeWear({ gapMm, cones, unit }: ConeWearProps) {
  const [fresh, setFresh] = useState('')
  const [angle, setAngle] = useState('')
  const newGapMm = figureOf(fresh, unit)
  const halfAngleDeg = figureOf(angle, 'deg')
  const isAngle =
    halfAngleDeg !== undefined &&
    halfAngleDeg >= LEAST_HALF_ANGLE_DEG &&
    halfAngleDeg <= MOST_HALF_ANGLE_DEG
  if (gapMm === undefined) return null
  return (
    <section aria-label="Against a new ring" className="border-rule border-t-2 pt-2">
      <h3 className="font-semibold">Against a new ring on the same cone</h3>
      <div className="flex flex-wrap gap-3">
        <TypedField
          label={`Gap of the new ring, ${UNIT_NAMES[unit]}`}
          className="w-[8rem]"
          inputMode="decimal"
          value={fresh}
          onType={setFresh}
        />
        <TypedField
          label="Half the cone’s angle, °"
          className="w-[8rem]"
          inputMode="decimal"
          value={angle}
          onType={setAngle}
        />
      </div>
      <p role="status">
        {newGapMm !== undefined &&
          (newGapMm < gapMm
            ? 'The new ring sits lower than the old one: the cone of the gear is worn, or one of the two was cocked. Measure both again.'
            : `The ring has come ${formatFigure(newGapMm - gapMm, unit)} closer to the gear.`)}{' '}
        {newGapMm !== undefined &&
          newGapMm >= gapMm &&
          isAngle &&
          `That is ${formatFigure(coneWearMm(newGapMm, gapMm, halfAngleDeg, cones), 'um')} of wear on the radius of ${cones === 1 ? 'its cone' : 'each cone, if they wear alike'}.`}
        {angle.trim() !== '' &&
          !isAngle &&
          `Half the angle of such a cone is ${LEAST_HALF_ANGLE_DEG}° to ${MOST_HALF_ANGLE_DEG}°.`}
      </p>
    </section>
  )
}
