import type { ReactNode } from 'react'

import type { DriveResult, DrivenChange } from 'core'

import { Table } from '~/components/Table.tsx'
import type { DriveFigures } from '~/views/drive/driveView.ts'
import { formatSeconds, formatWork, readyWords, ringHeatWords } from '~/words/drive.ts'
import { formatNumber } from '~/words/format.ts'

/** Every change of a drive, each of them a key to its moment. */
export function ChangeTable({
  changes,
  onPick,
}: {
  readonly changes: readonly DrivenChange[]
  readonly onPick: (change: DrivenChange) => void
}) {
  if (changes.length === 0) return <p>No gear was changed on this drive.</p>
  return (
    <Table
      caption="Changes of gear"
      isCaptionShown
      className="w-full text-[0.92rem]"
      rows={changes}
      keyOf={(_, at) => at}
      columns={[
        {
          heading: 'Gears',
          isName: true,
          cell: (change) => (
            <button
              type="button"
              className="link-line min-w-[44px] whitespace-nowrap"
              onClick={() => {
                onPick(change)
              }}
            >
              {change.from} to {change.to}
              <span className="sr-only"> at {formatSeconds(change.startS)}</span>
            </button>
          ),
        },
        {
          heading: 'Takes',
          isRight: true,
          cell: ({ startS, endS }) => formatSeconds(endS - startS),
        },
        { heading: 'No drive', isRight: true, cell: ({ gapS }) => formatSeconds(gapS) },
        { heading: 'Clutch', isRight: true, cell: ({ clutchJ }) => formatWork(clutchJ) },
        {
          heading: 'Ring',
          cell: ringHeatWords,
        },
        { heading: 'Next gear', className: 'text-graphite', cell: readyWords },
      ]}
    />
  )
}

/** One drive among several that are set beside one another. */
interface ComparedDrive {
  readonly key: string
  readonly name: string
  /** A sentence where it is not driven. */
  readonly figures: DriveFigures | string
}

interface DrivesTableProps {
  readonly caption: string
  readonly heading: string
  readonly drives: readonly ComparedDrive[]
}

/** The same course driven in several ways, or in several boxes. */
export function DrivesTable({ caption, heading, drives }: DrivesTableProps) {
  const of =
    (text: (figures: DriveFigures) => ReactNode) =>
    ({ figures }: ComparedDrive): ReactNode =>
      typeof figures === 'string' ? '' : text(figures)
  return (
    <Table
      caption={caption}
      isCaptionShown
      className="w-full text-[0.92rem]"
      rows={drives}
      keyOf={({ key }) => key}
      columns={[
        {
          heading,
          isName: true,
          cell: ({ name, figures }) => (
            <>
              {name}
              {typeof figures === 'string' && <span className="block">{figures}</span>}
            </>
          ),
        },
        {
          heading: 'Changes',
          isRight: true,
          cell: of(({ changes, medianS }) =>
            medianS === null ? 'none' : `${changes}\u00a0×\u00a0${formatSeconds(medianS)}`,
          ),
        },
        { heading: 'No drive', isRight: true, cell: of(({ gapS }) => formatSeconds(gapS)) },
        { heading: 'Clutches', isRight: true, cell: of(({ clutchJ }) => formatWork(clutchJ)) },
        { heading: 'Rings', isRight: true, cell: of(({ ringJ }) => formatWork(ringJ)) },
        {
          heading: 'Way',
          isRight: true,
          cell: of(({ distanceM }) => `${formatNumber(distanceM, 0)}\u00a0m`),
        },
      ]}
    />
  )
}

/** Where the work of the engine went. */
export function EnergyTable({ result: { energy } }: { readonly result: DriveResult }) {
  const { clutchJ } = energy
  const rows = [
    ['From the engine', energy.engineJ],
    ['Into air', energy.airJ],
    ['Into rolling', energy.rollingJ],
    ['Into the climb', energy.gradeJ],
    ['Into the brakes', energy.brakeJ],
    ...clutchJ.map(
      (each, at) =>
        [clutchJ.length > 1 ? `Into clutch ${at + 1}` : 'Into the clutch', each] as const,
    ),
    ['Into the rings', energy.ringJ],
    ['Into knocks of dogs', energy.knockJ],
    ['Left in the motion', energy.kineticJ],
  ] as const
  return (
    <Table
      caption="Where the work went"
      isCaptionShown
      className="w-full text-[0.92rem]"
      rows={rows.filter(([title, workJ]) => title !== 'Into knocks of dogs' || workJ > 0.5)}
      keyOf={([title]) => title}
      columns={[
        { heading: 'What', isName: true, cell: ([title]) => title },
        { heading: 'Work', isRight: true, cell: ([, workJ]) => formatWork(workJ) },
        {
          heading: 'Of the engine’s',
          isRight: true,
          cell: ([, workJ]) =>
            energy.engineJ > 0 ? `${formatNumber((100 * workJ) / energy.engineJ, 1)}\u00a0%` : '',
        },
      ]}
    />
  )
}
