import type { AddressChanges } from '~/views/addresses.ts'
import type { Drive, LossResult } from 'core'
import { toNumber } from 'core'

import { Table } from '~/components/Table.tsx'
import { formatPower, formatShare, formatTorque } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, lawName } from '~/words/names.ts'

import type { EfficiencyKey, LossInput } from '~/views/trace/lossInput.ts'
import { EFFICIENCY_KEYS } from '~/views/trace/lossInput.ts'
import type { TraceInput } from '~/views/trace/traceInput.ts'
import { Warning } from '~/components/Warning.tsx'

const TITLES: Readonly<Record<EfficiencyKey, string>> = {
  mesh: 'Efficiency of a pair in mesh',
  bearings: 'Of a shaft’s bearings',
}

interface LossTableProps {
  readonly naming: Naming
  readonly drive: Drive
  readonly losses: LossResult
  readonly input: TraceInput
  readonly lossInput: LossInput
  readonly onChange: (changes: AddressChanges<'trace'>) => void
}

function EfficiencyFields({ lossInput, onChange }: Pick<LossTableProps, 'lossInput' | 'onChange'>) {
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-2">
      {EFFICIENCY_KEYS.map((key) => (
        <div key={key} className="w-64">
          <label htmlFor={`efficiency-${key}`} className="block font-semibold">
            {TITLES[key]} <span className="text-graphite font-normal">(%)</span>
          </label>
          <input
            id={`efficiency-${key}`}
            className="field text-right"
            inputMode="decimal"
            value={lossInput.texts[key]}
            aria-invalid={lossInput.problems[key] !== undefined}
            aria-describedby={lossInput.problems[key] ? `efficiency-${key}-problem` : undefined}
            onChange={(event) => {
              onChange({ [key]: event.target.value })
            }}
          />
          {lossInput.problems[key] && (
            <Warning id={`efficiency-${key}-problem`} className="text-[0.86rem]">
              {lossInput.problems[key]}
            </Warning>
          )}
        </div>
      ))}
    </div>
  )
}

type Solved = Extract<LossResult, { readonly kind: 'solved' }>

interface LostProps extends Pick<LossTableProps, 'naming' | 'drive' | 'input'> {
  readonly losses: Solved
}

/** What leaves the box, beside the ideal, and where the rest is lost. */
function Lost({ naming, drive, losses, input }: LostProps) {
  const lost = [
    ...losses.links.map(({ law, power }) => ({ name: lawName(naming, law), power })),
    ...losses.bearings.map(({ body, power }) => ({
      name: `bearings of the ${bodyName(naming, body)}`,
      power,
    })),
  ]
  return (
    <>
      <p>
        Of the power, <b data-testid="efficiency">{formatShare(toNumber(losses.efficiency))}</b>{' '}
        leaves the box.{' '}
        {losses.outputs.map(({ body, torque }) => {
          const ideal = drive.outputs.find((output) => output.body === body)
          const at = (of: typeof torque): string =>
            formatTorque(Math.abs(toNumber(of)) * input.torqueNm, input.torqueUnit)
          return (
            <span key={body}>
              {capitalize(bodyName(naming, body))}: <b>{at(torque)}</b> with losses,{' '}
              <b>{ideal ? at(ideal.torque) : ''}</b> without.{' '}
            </span>
          )
        })}
      </p>
      <Table
        caption="Power lost"
        rows={lost}
        keyOf={({ name }) => name}
        columns={[
          { heading: 'Lost in', isName: true, cell: ({ name }) => capitalize(name) },
          {
            heading: 'Power',
            isRight: true,
            cell: ({ power }) => formatPower(input.torqueNm * toNumber(power), input.speedRpm),
          },
          {
            heading: 'Of the input',
            isRight: true,
            cell: ({ power }) => formatShare(toNumber(power)),
          },
        ]}
      />
    </>
  )
}

/** Why nothing can be said of what is lost. */
function unsolvedWords(naming: Naming, losses: Exclude<LossResult, Solved>): string {
  if (losses.kind === 'holds-itself')
    return 'With losses like these the box could not turn: it would hold itself.'
  const laws = losses.laws.map((law) => lawName(naming, law))
  return losses.kind === 'unsettled'
    ? `Not settled: which way power goes through the ${laws.join(', the ')} depends on how the parallel paths share the load, or on how fast something coasts that bears it. Set the share on Trace.`
    : `What ${laws.join(', and ')} loses hangs on the lead angle of its worm. Enter it on Lay out.`
}

/** What the box keeps of the power, mesh by mesh and shaft by shaft, with the ideal beside it. */
export function LossTable({ naming, drive, losses, input, lossInput, onChange }: LossTableProps) {
  return (
    <section className="flex flex-col gap-2">
      <h2 className="text-[1.05rem]">Losses</h2>
      <EfficiencyFields lossInput={lossInput} onChange={onChange} />
      {losses.kind === 'solved' ? (
        <Lost naming={naming} drive={drive} losses={losses} input={input} />
      ) : (
        <Warning>{unsolvedWords(naming, losses)}</Warning>
      )}
      <p className="text-graphite text-[0.86rem]">
        99 % for a cylindrical pair in good oil and 99.5 % for a shaft’s bearings are starting
        points (common practice); churning and seals are not in them.
      </p>
    </section>
  )
}
