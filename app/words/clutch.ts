/** A clutch at a moment of its way, in sentences. */
import type { Clutch, ClutchStage, ClutchWork, FullClutch } from 'core'
import {
  CLUTCH,
  CLUTCH_STAGE,
  USUAL_CLUTCH,
  fullClutch,
  fullStage,
  namesOf,
  packClearanceMm,
} from 'core'

import { UNIT_TEXTS } from './fields.ts'
import { formatNumber, formatTorque } from './format.ts'
import type { TorqueUnit } from './format.ts'
import type { Naming } from './names.ts'
import { capitalize, couplerName } from './names.ts'
import { listed } from './sentences.ts'
import { CLUTCH_STAGE_NAMES } from './shift.ts'

/** Which clutch it is: "Odd clutch", or the one before the input. */
export function clutchName(naming: Naming, { coupler }: Clutch): string {
  const own = naming.box.couplers.get(coupler ?? '')
  return own ? capitalize(couplerName(naming, own)) : 'Clutch before the input'
}

/** Figures that say something of a clutch of this kind, in the order of its fields. */
export function clutchFigures({ kind }: Clutch): readonly (keyof FullClutch)[] {
  const ofPack: readonly (keyof FullClutch)[] = [
    'frictionPlateMm',
    'steelPlateCount',
    'steelPlateMm',
    'applyPlateMm',
    'roomMm',
  ]
  const isOther = (name: keyof FullClutch): boolean =>
    kind === 'wet-pack'
      ? name === 'liftPerFaceMm'
      : ofPack.includes(name) || name === 'frictionPlateCount'
  return namesOf(CLUTCH, ['id', 'kind', 'coupler', 'stages']).flatMap((name) =>
    name in USUAL_CLUTCH[kind] && !isOther(name as keyof FullClutch)
      ? [name as keyof FullClutch]
      : [],
  )
}

/** What a stage is called. */
export function stageName({ name, kind }: ClutchStage): string {
  return name ?? CLUTCH_STAGE_NAMES[kind]
}

/** What is taken for figures that nobody entered; null where all are. */
export function usualClutchWords(clutch: Clutch): string | null {
  const full = fullClutch(clutch)
  const figures = clutchFigures(clutch).flatMap((name) => {
    const { word, unit } = CLUTCH[name]
    return clutch[name] === undefined
      ? [`${word} ${full[name]}${unit ? UNIT_TEXTS[unit] : ''}`]
      : []
  })
  const stages = clutch.stages.flatMap((stage) => {
    const { inMm, outMm } = fullStage(stage)
    return stage.kind !== 'cable' && (stage.inMm === undefined || stage.outMm === undefined)
      ? [`${stageName(stage)} ${inMm} to ${outMm}${UNIT_TEXTS[CLUTCH_STAGE.inMm.unit ?? 'mm']}`]
      : []
  })
  const all = [...figures, ...stages]
  return all.length === 0 ? null : `With usual figures for what is not entered: ${listed(all)}.`
}

const mm = (value: number, decimals = 2): string => `${formatNumber(value, decimals)}\u00a0mm`

/** Whether it carries, with what gap and what torque. */
export function clutchSentences(
  clutch: Clutch,
  work: ClutchWork,
  torqueUnit: TorqueUnit,
): readonly string[] {
  const { clearanceMm, gapMm, gapPerFaceMm, isFree, torqueNm, bitesAtMm, takenUpMm, isBraking } =
    work
  const isPack = clutch.kind === 'wet-pack'
  if (isPack && packClearanceMm(clutch) < 0)
    return ['The plates are thicker than their room: the pack cannot be put together so.']
  const carries = `It carries up to ${formatTorque(torqueNm, torqueUnit)}.`
  return [
    isFree
      ? `Runs free, ${mm(gapPerFaceMm)} at each face, ${mm(gapMm)} over all.`
      : `Not free${gapMm > 0 ? `: ${mm(gapMm)} over all faces` : ''}. ${carries}`,
    isPack
      ? `Clearance from its parts ${mm(clearanceMm)}; taken up after ${mm(bitesAtMm, 1)} of the way in.`
      : `Its plates need ${mm(clearanceMm)} to run free, after ${mm(bitesAtMm, 1)} of the way in.`,
    ...(takenUpMm > 0
      ? [`Wear has moved that by ${mm(takenUpMm, 1)}: set the linkage again.`]
      : fullClutch(clutch).wearMm > 0 && !isPack
        ? ['Oil takes up the wear; the way in stays as it was.']
        : []),
    ...(isBraking === undefined
      ? []
      : [
          isBraking
            ? 'The brake holds what turns with the input: only while the vehicle stands.'
            : `Its brake comes on after ${mm(clutch.brakeFromMm ?? 0, 1)}.`,
        ]),
  ]
}
