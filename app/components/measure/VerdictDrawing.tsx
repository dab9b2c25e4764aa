import { useMemo } from 'react'

import type { UnitPart, worstByPart } from 'core'
import { indexBox, refOfPiece, pathTo, wholePart } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Layer, Layers } from '~/views/section/layers.ts'

import { PartHits, ShaftHits } from './PartHits.tsx'
import { VerdictMarks } from './VerdictMarks.tsx'

const LAYERS: Layers = new Set<Layer>(['rest', 'names', 'counts', 'parts'])

interface VerdictDrawingProps {
  readonly part: UnitPart
  readonly worst: ReturnType<typeof worstByPart>
  readonly onChoose: (ref: string) => void
}

/** The unit with the verdict on each part, to choose one from. */
export function VerdictDrawing({ part, worst, onChoose }: VerdictDrawingProps) {
  const { draft, words } = useOpenBox()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const refOf = (pieceId: string): string => {
    const piece = draft.pieces?.find(({ id: each }) => each === pieceId)
    return piece ? refOfPiece(naming.box, piece) : pathTo('piece', pieceId)
  }
  return (
    <div className="flex-1 sm:min-h-[17rem]">
      <SectionDrawing
        draft={draft}
        words={words}
        layers={LAYERS}
        litGear={part.kind === 'gear' ? part.id : undefined}
        title={`Section along the shafts of ${draft.name} with the verdict on each part`}
        gearHref={(gear) => `?part=gear:${gear}`}
        onChooseGear={(gear) => {
          onChoose(wholePart(naming.box, pathTo('gear', gear)))
        }}
        underlay={(section, scale) => (
          <ShaftHits section={section} scale={scale} chosen={part.ref} onChoose={onChoose} />
        )}
        overlay={(section, scale) => (
          <>
            <PartHits
              section={section}
              scale={scale}
              chosen={part.ref}
              refOf={refOf}
              onChoose={onChoose}
            />
            <VerdictMarks
              section={section}
              scale={scale}
              naming={naming}
              worst={worst}
              hrefOf={(ref) => `?part=${encodeURIComponent(ref)}`}
              onChoose={onChoose}
            />
          </>
        )}
      />
    </div>
  )
}
