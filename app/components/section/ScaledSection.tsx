import clsx from 'clsx'
import { Ruler } from 'lucide-react'
import type { ComponentProps } from 'react'

import type { Analysis } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { parseRibbonScale, ribbonFullTorque } from '~/views/section/ribbonScale.ts'

import { SectionDrawing } from './SectionDrawing.tsx'

interface RibbonSwitchProps {
  /** Of the ribbon, as the address has it. */
  readonly scale: string | null
  readonly change: (changes: { readonly ribbon: string }) => void
}

/** Whether the ribbon is full at the most of the position: a low gear makes all others thin. */
export function RibbonSwitch({ scale, change }: RibbonSwitchProps) {
  const isByPosition = scale === 'position'
  return (
    <button
      type="button"
      className="button-quiet no-print aria-pressed:bg-accent-wash flex-none self-start"
      aria-pressed={isByPosition}
      onClick={() => {
        change({ ribbon: isByPosition ? '' : 'position' })
      }}
    >
      <Ruler aria-hidden /> Ribbon full by position
    </button>
  )
}

/** The least height of a drawing, by what stands over its section. */
function roomFor(above: number): string {
  return above === 0 ? 'min-h-[15rem]' : above > MANY_RODS ? 'min-h-[25rem]' : 'min-h-[19rem]'
}

/** What four rods take, in units of the drawing. */
const MANY_RODS = 140

interface ScaledSectionProps extends Omit<
  ComponentProps<typeof SectionDrawing>,
  'state' | 'drive' | 'ribbonFullTorque'
> {
  readonly state: Analysis | undefined
  /** Torque runs through it. */
  readonly isLoaded?: boolean
  /** What is put in, as a part of what the ribbon is full at. */
  readonly part?: number | undefined
  /** Of the ribbon, as the address has it. */
  readonly scale: string | null
}

/** The section with its ribbon to the scale that the address asks for. */
export function ScaledSection(props: ScaledSectionProps) {
  const { state, isLoaded = true, part = 1, scale, ...section } = props
  const { fullTorque } = analyseDraft(section.draft)
  return (
    <div className={clsx('flex-[3]', roomFor(section.above?.height ?? 0))}>
      <SectionDrawing
        {...section}
        state={state}
        drive={isLoaded && state?.state === 'drive' ? state : undefined}
        ribbonFullTorque={
          state && ribbonFullTorque(parseRibbonScale(scale), fullTorque, state) / part
        }
      />
    </div>
  )
}
