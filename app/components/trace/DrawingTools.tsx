import {
  Car,
  Check,
  Footprints,
  Gauge,
  Layers as LayersIcon,
  Lock,
  LockOpen,
  Pause,
  Play,
  Undo2,
} from 'lucide-react'
import { DropdownMenu } from 'radix-ui'

import { hasPedal } from 'core'

import { MenuRadios } from '~/components/MenuRadios.tsx'
import type { Layer } from '~/views/section/layers.ts'
import { LAYERS } from '~/views/section/layers.ts'
import { useMayMove } from '~/components/section/useMayMove.ts'
import { formatLayers } from '~/views/trace/traceState.ts'

import { ribbonSteps } from '~/views/section/ribbonScale.ts'
import { formatTorque, torqueUnitNm } from '~/words/format.ts'

import { useOpenTrace } from './traceContext.ts'

const LAYER_TITLES: Readonly<Record<Layer, string>> = {
  torque: 'Torque, as the ribbon',
  speed: 'Speed and sense',
  rest: 'What stands or coasts, paler',
  names: 'Names of parts',
  counts: 'Tooth counts',
  forces: 'Thrust and bearing loads',
  parts: 'Bearings, washers, rings, seals',
}

interface DrawingToolsProps {
  readonly hasInterlock: boolean
  readonly onInterlock: (isOn: boolean) => void
  /** Puts the sleeves back where the last position has them; undefined when none was moved. */
  readonly onReset: (() => void) | undefined
}

/** Whether the drawing turns, and how fast. */
function MotionButtons() {
  const { pace, change } = useOpenTrace()
  return (
    <>
      <button
        type="button"
        className="button-quiet"
        onClick={() => {
          change({ motion: pace === 'paused' ? '' : 'paused' })
        }}
      >
        {pace === 'paused' ? (
          <>
            <Play aria-hidden /> Turn
          </>
        ) : (
          <>
            <Pause aria-hidden /> Stop
          </>
        )}
      </button>
      <button
        type="button"
        aria-pressed={pace === 'slow'}
        className="button-quiet aria-pressed:bg-accent-wash"
        onClick={() => {
          change({ motion: pace === 'slow' ? '' : 'slow' })
        }}
      >
        Slowly
      </button>
    </>
  )
}

/** The layers of the drawing, each on or off; the menu stays open. */
function LayerItems() {
  const { layers, change } = useOpenTrace()
  return LAYERS.map((layer) => (
    <DropdownMenu.CheckboxItem
      key={layer}
      checked={layers.has(layer)}
      onCheckedChange={(isShown) => {
        const next = new Set(layers)
        if (isShown) next.add(layer)
        else next.delete(layer)
        change({ layers: formatLayers(next) })
      }}
      onSelect={(event) => {
        event.preventDefault()
      }}
      className="menu-item"
    >
      <span className="w-5">
        <DropdownMenu.ItemIndicator>
          <Check aria-hidden className="size-5" />
        </DropdownMenu.ItemIndicator>
      </span>
      {LAYER_TITLES[layer]}
    </DropdownMenu.CheckboxItem>
  ))
}

/** What the drawing shows. */
function ShownMenu() {
  const { search, change, fullTorque, input } = useOpenTrace()
  const unitNm = torqueUnitNm(input.torqueUnit)
  const scales = [
    ['', 'the most of the whole box'],
    ['position', 'the most of this position'],
    ...ribbonSteps(fullTorque * input.torqueNm, unitNm).map(
      (step) => [`${step * unitNm}`, formatTorque(step * unitNm, input.torqueUnit)] as const,
    ),
  ] as const
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button-quiet">
        <LayersIcon aria-hidden /> Shown
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="end"
        side="top"
        className="bg-sheet border-ink z-40 max-h-(--radix-dropdown-menu-content-available-height) w-[19rem] max-w-(--radix-dropdown-menu-content-available-width) overflow-auto border-2 p-2"
        aria-label="What the drawing shows"
      >
        <MenuRadios
          title="The ribbon is full at"
          value={search.ribbon ?? ''}
          options={scales}
          onChange={(ribbon) => {
            change({ ribbon })
          }}
        />
        <DropdownMenu.Label className="text-graphite border-rule mt-1 border-t px-2 pt-1 text-[0.86rem]">
          Layers
        </DropdownMenu.Label>
        <LayerItems />
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  )
}

/** How the drawing is looked at, and whether an interlock guards it. */
export function DrawingTools({ hasInterlock, onInterlock, onReset }: DrawingToolsProps) {
  const { isOverrun, change, naming, input } = useOpenTrace()
  const { isPedalDown } = input
  const mayMove = useMayMove()
  const LockIcon = hasInterlock ? Lock : LockOpen
  return (
    <div className="no-print flex min-h-[44px] flex-wrap items-center">
      <button
        type="button"
        aria-pressed={hasInterlock}
        className="button-quiet -ml-2"
        onClick={() => {
          onInterlock(!hasInterlock)
        }}
      >
        <LockIcon aria-hidden /> {hasInterlock ? 'Interlock in place' : 'Interlock left out'}
      </button>
      {onReset && (
        <button type="button" className="button-quiet" onClick={onReset}>
          <Undo2 aria-hidden /> Sleeves back
        </button>
      )}
      {!isPedalDown && (
        <button
          type="button"
          aria-pressed={isOverrun}
          className="button-quiet"
          onClick={() => {
            change({ overrun: isOverrun ? '' : 'on' })
          }}
        >
          {isOverrun ? (
            <>
              <Car aria-hidden /> The wheels drive
            </>
          ) : (
            <>
              <Gauge aria-hidden /> The engine drives
            </>
          )}
        </button>
      )}
      {hasPedal(naming.box.draft) && (
        <button
          type="button"
          aria-pressed={isPedalDown}
          className="button-quiet aria-pressed:bg-accent-wash"
          onClick={() => {
            change({ pedal: isPedalDown ? '' : 'down' })
          }}
        >
          <Footprints aria-hidden /> Pedal {isPedalDown ? 'down' : 'up'}
        </button>
      )}
      {mayMove && <MotionButtons />}
      <ShownMenu />
    </div>
  )
}
