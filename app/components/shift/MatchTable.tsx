import type { Match } from 'core'
import { toNumber } from 'core'

import { Table } from '~/components/Table.tsx'
import { formatSpeed } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { coastingWords, sideWords, slipText } from '~/words/shift.ts'

interface MatchTableProps {
  readonly naming: Naming
  readonly matches: readonly Match[]
  readonly inputRpm: number
  readonly isPedalDown: boolean
  /** Of the difference, the share that is still there at the moment shown. */
  readonly leftOf: (match: Match) => number
}

/** What has to match before anything goes in, and how far it still is from that. */
export function MatchTable({ naming, matches, inputRpm, isPedalDown, leftOf }: MatchTableProps) {
  if (matches.length === 0) return null
  return (
    <div>
      <Table
        caption="What has to match"
        isCaptionShown
        className="w-full text-[0.95rem]"
        rows={matches}
        keyOf={(_, at) => at}
        columns={[
          {
            heading: 'Between',
            isName: true,
            cell: (row) =>
              sideWords(naming, row, { inputRpm, left: leftOf(row), isPedalDown }).map(
                (said, at) => (
                  <span key={at} className="block">
                    {said}
                  </span>
                ),
              ),
          },
          {
            heading: 'Apart',
            isRight: true,
            className: 'font-semibold whitespace-normal!',
            cell: (row) => slipText(row, inputRpm, leftOf(row)),
          },
          {
            heading: 'Engine to match',
            isRight: true,
            cell: ({ inputSpeed, sides }) =>
              inputSpeed
                ? formatSpeed(toNumber(inputSpeed) * inputRpm)
                : sides.some(({ hangsOn }) => hangsOn.input)
                  ? 'not settled'
                  : 'changes nothing',
          },
        ]}
      />
      {matches.map((match, at) => {
        const said = coastingWords(naming, match, inputRpm)
        return (
          said !== null && (
            <p key={at} className="pt-1 text-[0.95rem]">
              {said}
            </p>
          )
        )
      })}
    </div>
  )
}
