import type { Timing } from 'core'

import { bodyName, capitalize, gearName } from '~/words/names.ts'
import type { Naming } from '~/words/names.ts'
import { formatTeeth } from '~/words/format.ts'

function gearNameById(naming: Naming, id: string): string {
  const found = naming.box.gears.get(id)
  return found ? gearName(naming, found) : id
}

/** What one tooth off does to each pair, and to how many nothing that could be felt. */
function OneToothOff({ naming, timing }: { readonly naming: Naming; readonly timing: Timing }) {
  const { pairs, shaftToothCount } = timing
  const off = pairs.filter(({ offTeeth }) => offTeeth.numerator !== 0)
  const silent = pairs.length - off.length
  return (
    <>
      {off.length > 0 && (
        <>
          <p>
            One tooth off, with the shafts turned by 1/{shaftToothCount} of a turn to one another:
          </p>
          <ul className="list-disc pl-6">
            {off.map(({ gear, offTeeth }) => (
              <li key={gear}>
                {capitalize(gearNameById(naming, gear))}: its teeth meet{' '}
                <b>
                  {Math.abs(offTeeth.numerator)}/{offTeeth.denominator}
                </b>{' '}
                of a tooth beside the gap.
              </li>
            ))}
          </ul>
          <p>
            What is not taken up by backlash and float, one shaft carries alone, and the gears bind
            when they are turned by hand.
          </p>
        </>
      )}
      {silent > 0 && (
        <p>
          {silent === pairs.length ? 'All' : silent} of the other pairs go together one tooth off
          too: turning them shows nothing.
        </p>
      )}
    </>
  )
}

/** Countershafts that share the torque: which teeth to mark, and what one tooth off does. */
export function TimingCards({
  naming,
  timings,
}: {
  readonly naming: Naming
  readonly timings: readonly Timing[]
}) {
  const gear = (id: string): string => gearNameById(naming, id)
  return timings.map((timing) => {
    const { shafts, driver, driverToothCount, shaftToothCount, marksApart, meetAfterTurns } = timing
    return (
      <section
        key={shafts.join(' ')}
        aria-label="Timing"
        className="bg-sheet border-rule flex flex-col gap-1 border p-3"
      >
        <h2 className="text-[1.35rem]">
          Timing of {shafts.map((id) => bodyName(naming, id)).join(' and ')}
        </h2>
        <p>
          {marksApart === null
            ? `The ${gear(driver)} has ${formatTeeth(driverToothCount)}, which ${shafts.length} shafts alike do not divide: shafts with their marks at one place do not fit. Time them by the maker’s marks.`
            : `Mark two teeth of the ${gear(driver)} ${formatTeeth(marksApart)} apart (of ${driverToothCount}), and on each shaft the tooth that stands alike: over its keyway, or where the maker’s mark is. Put each mark into the gap beside its mark.`}
        </p>
        <p>
          The marks meet again after <b>{meetAfterTurns}</b>{' '}
          {meetAfterTurns === 1 ? 'turn' : 'turns'} of the {gear(driver)}: {driverToothCount} on{' '}
          {shaftToothCount} teeth. Do not look for them sooner.
        </p>
        <OneToothOff naming={naming} timing={timing} />
      </section>
    )
  })
}
