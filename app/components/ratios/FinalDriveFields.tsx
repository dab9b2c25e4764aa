import equal from 'fast-deep-equal'
import { TriangleAlert } from 'lucide-react'
import { useState } from 'react'

import { finalDriveRatio, holdsFinalDrive, isToothCount } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { formatRatio } from '~/words/format.ts'
import { TOOTH_COUNT_ADVICE } from '~/words/issues.ts'
import { Warning } from '~/components/Warning.tsx'

/** A box that has its final drive inside needs none here. */
function HeldAlready({ isEntered }: { readonly isEntered: boolean }) {
  return (
    <p className={isEntered ? 'trouble mt-2' : 'mt-2'}>
      {isEntered && <TriangleAlert aria-hidden />} This box holds its final drive: the ratios at its
      side shafts are overall already.{' '}
      {isEntered
        ? 'What is entered here multiplies them once more: take it out, unless there is another one behind.'
        : 'Enter counts here only for another one behind it.'}
    </p>
  )
}

/** The teeth of the final drive, kept with the box; leave both empty for none. */
export function FinalDriveFields() {
  const { draft, edit } = useOpenBox()
  const finalDrive = draft.finalDrive ?? null
  const [driven, setDriven] = useState(finalDrive ? `${finalDrive.drivenToothCount}` : '')
  const [driving, setDriving] = useState(finalDrive ? `${finalDrive.drivingToothCount}` : '')
  const [problem, setProblem] = useState<string>()

  const commit = () => {
    setProblem(undefined)
    const texts = [driving.trim(), driven.trim()]
    if (texts.every((text) => text === '')) {
      if (finalDrive) edit({ kind: 'final-drive', finalDrive: null, base: finalDrive })
      return
    }
    if (texts.some((text) => text === '')) return
    const [drivingToothCount = NaN, drivenToothCount = NaN] = texts.map(Number)
    if (!isToothCount(drivingToothCount) || !isToothCount(drivenToothCount)) {
      setProblem(`${TOOTH_COUNT_ADVICE} The final drive is as it was.`)
      return
    }
    const next = { drivingToothCount, drivenToothCount }
    if (!equal(next, finalDrive)) edit({ kind: 'final-drive', finalDrive: next, base: finalDrive })
  }
  const fields = [
    ['driven', 'Driven gear', driven, setDriven],
    ['driving', 'Driving pinion', driving, setDriving],
  ] as const
  return (
    <section>
      <h3 className="mb-2 text-lg">Final drive</h3>
      <div
        className="grid grid-cols-2 gap-3"
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) commit()
        }}
      >
        {fields.map(([key, title, text, setText]) => (
          <label key={key} className="block font-semibold">
            {title} <span className="text-graphite font-normal">(teeth)</span>
            <input
              className="field text-right text-[1.2rem]"
              inputMode="numeric"
              value={text}
              aria-invalid={problem !== undefined}
              aria-describedby={problem ? 'final-drive-problem' : undefined}
              onChange={(event) => {
                setText(event.target.value)
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter') commit()
              }}
            />
          </label>
        ))}
      </div>
      {problem && (
        <Warning id="final-drive-problem" className="mt-1">
          {problem}
        </Warning>
      )}
      {holdsFinalDrive(draft) && <HeldAlready isEntered={finalDrive !== null} />}
      <p className="mt-2">
        {finalDrive ? (
          <>
            Final drive <b>{formatRatio(finalDriveRatio(finalDrive))}</b>
          </>
        ) : (
          'Enter both counts to see each position’s overall ratio.'
        )}
      </p>
    </section>
  )
}
