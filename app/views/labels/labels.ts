/** Labels for a unit, its trays and its parts: what each says, and which page its code opens. */
import type { Job, PartFamily, UnitPart } from 'core'
import { PART_FAMILIES, condemnedParts, unitParts } from 'core'

import { measureAddress } from '~/views/measure/measureAddress.ts'
import { unitPartName } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

/** Which parts get a label: none, those to be replaced, those in trays, one family, or all. */
export const LABELLED = ['none', 'replace', 'trays', ...PART_FAMILIES, 'all'] as const
export type Labelled = (typeof LABELLED)[number]

export interface Label {
  readonly title: string
  readonly detail: string
  /** Below the address of Udrix. */
  readonly path: string
}

/** The choice in an address; none where it is no choice. */
export function readLabelled(text: string | null): Labelled {
  return LABELLED.find((each) => each === text) ?? 'none'
}

function isLabelled({ box }: Naming, labelled: Labelled, job: Job): (part: UnitPart) => boolean {
  const condemned = condemnedParts(box, job)
  switch (labelled) {
    case 'none':
      return () => false
    case 'all':
      return () => true
    case 'replace':
      return ({ ref }) => condemned.has(ref)
    case 'trays':
      return ({ ref }) => job.trays.has(ref)
    default:
      return ({ family }) => family === (labelled satisfies PartFamily)
  }
}

/** A label of the unit, one of each tray that something lies in, and those of the chosen parts. */
export function labelsOf(
  naming: Naming,
  boxId: string,
  job: Job,
  labelled: Labelled,
): readonly Label[] {
  const { draft } = naming.box
  const serial = draft.sheet?.find(({ kind }) => kind === 'serial')?.text ?? job.intake.serial
  const trays = [...new Set(job.trays.values())].sort((one, other) =>
    one.localeCompare(other, undefined, { numeric: true }),
  )
  return [
    {
      title: draft.name,
      detail: [job.intake.reference, serial].filter(Boolean).join(', '),
      path: `/boxes/${boxId}`,
    },
    ...trays.map((tray) => ({
      title: `Tray ${tray}`,
      detail: draft.name,
      path: `/boxes/${boxId}/measure?tray=${encodeURIComponent(tray)}`,
    })),
    ...unitParts(draft)
      .filter(isLabelled(naming, labelled, job))
      .map(({ ref }) => ({
        title: capitalize(unitPartName(naming, ref)),
        detail: [draft.name, job.trays.has(ref) ? `tray ${job.trays.get(ref) ?? ''}` : '']
          .filter(Boolean)
          .join(', '),
        path: measureAddress(boxId, ref),
      })),
  ]
}
