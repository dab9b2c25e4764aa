import { useMemo } from 'react'

import type { Assembled } from 'core'
import { differencesOf, indexBox, readJob } from 'core'

import type { Route } from './+types/buildDiffers'
import { alikeUnits, otherUnit } from '~/.server/alikeUnits.ts'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { Table } from '~/components/Table.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { differenceWords } from '~/words/build.ts'
import { formatWhen } from '~/words/format.ts'
import { capitalize } from '~/words/names.ts'
import type { Address } from '~/views/addresses.ts'
import { readAddress } from '~/views/addresses.ts'

/** The units of this kind, and the one that is put beside this. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const box = await withDatabase(() => findBox(params.boxId))
  if (!box) throw noSuchBox()
  const [units, other] = await withDatabase(() =>
    Promise.all([alikeUnits(box), otherUnit(readAddress('differs', request).unit)]),
  )
  return { units, other }
}

/** Earlier jobs are on the page; without a server there are no other units. */
export function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  return serverLoader().catch(() => ({ units: [], other: null }))
}

interface BesideThis {
  readonly assembled: Assembled
  readonly name: string
}

/** The other unit or the earlier visit that the address names; the last visit where it names none. */
function useBeside(search: Address<'differs'>, other: Route.ComponentProps['loaderData']['other']) {
  const { draft } = useOpenBox()
  const { jobs, beside: limits, current } = useOpenJob()
  const earlier = jobs.filter(({ id }) => id !== current?.id)
  const chosen = earlier.find(({ id }) => id === search.visit) ?? earlier.at(-1)
  const isUnit = search.unit !== null
  const ofUnit = (unit: NonNullable<typeof other>): BesideThis => {
    const job = readJob(unit.entries, { ...limits, sheet: unit.draft.sheet ?? [] })
    return { assembled: { draft: unit.draft, job }, name: unit.name }
  }
  const ofVisit = (visit: (typeof earlier)[number]): BesideThis => ({
    assembled: { draft, job: readJob(visit.entries, limits) },
    name: `job ${visit.number}`,
  })
  const beside = isUnit ? other && ofUnit(other) : chosen && ofVisit(chosen)
  return { earlier, chosen, isUnit, beside: beside ?? undefined }
}

/** What differs between this assembly and an earlier one, or another unit of its kind. */
export default function BuildDiffers({ loaderData: { units, other } }: Route.ComponentProps) {
  const { draft, words } = useOpenBox()
  const { job, current } = useOpenJob()
  const [search, change] = useAddress('differs')
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const { earlier, chosen, isUnit, beside } = useBeside(search, other)
  const found = beside ? differencesOf({ draft, job }, beside.assembled) : []
  const here = isUnit ? draft.name : `job ${current?.number ?? ''}`
  const others = beside ? { box: indexBox(beside.assembled.draft), words } : naming
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · What differs · Udrix`}</title>
      <div className="mx-auto grid max-w-[64rem] gap-3">
        <div className="border-ink flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 pb-1">
          <h2 className="text-[1.5rem]">{draft.name}: what differs</h2>
          <div className="no-print flex items-end gap-2">
            <SelectField
              label="Beside"
              value={isUnit ? `unit ${search.unit}` : `visit ${chosen?.id ?? ''}`}
              options={[
                ...earlier.map(
                  ({ id, number, openedAt }) =>
                    [
                      `visit ${id}`,
                      `this unit, job ${number}, ${formatWhen(new Date(openedAt))}`,
                    ] as const,
                ),
                ...units.map(({ id, name }) => [`unit ${id}`, name] as const),
                ...(earlier.length + units.length === 0 || (!isUnit && !chosen)
                  ? [['visit ', 'choose an assembly'] as const]
                  : []),
              ]}
              onChange={(value) => {
                const [what = '', id = ''] = value.split(' ')
                change(what === 'unit' ? { unit: id, visit: '' } : { unit: '', visit: id })
              }}
            />
            <PrintButton />
          </div>
        </div>
        {!beside ? (
          <p>
            {earlier.length + units.length === 0
              ? 'This is the first visit of this unit, and no other unit of its kind is on the bench: there is nothing to put beside it yet.'
              : 'Choose what is put beside this assembly.'}
          </p>
        ) : found.length === 0 ? (
          <p>Nothing that is written down differs.</p>
        ) : (
          <Table
            caption={`What differs between ${here} and ${beside.name}`}
            rows={found.map((each) => differenceWords(naming, others, each))}
            keyOf={({ what }, at) => `${what} ${at}`}
            className="w-full"
            columns={[
              { heading: 'What', isName: true, cell: ({ what }) => capitalize(what) },
              { heading: capitalize(here), cell: ({ one }) => one },
              { heading: capitalize(beside.name), cell: ({ other: theirs }) => theirs },
            ]}
          />
        )}
      </div>
    </main>
  )
}
