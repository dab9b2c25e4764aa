import { useMemo } from 'react'
import { Link } from 'react-router'

import type { AssemblyPart } from 'core'
import { partsOff } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { ReachSteps } from '~/components/build/ReachSteps.tsx'
import type { OpenBuild } from '~/components/build/useBuild.ts'
import { useBuild } from '~/components/build/useBuild.ts'
import { WantedParts } from '~/components/build/WantedParts.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { bareParts, partsDrawn } from '~/views/build/buildView.ts'
import type { Reach } from '~/views/build/reach.ts'
import { reachOf } from '~/views/build/reach.ts'
import type { Layer, Layers } from '~/views/section/layers.ts'

const LAYERS: Layers = new Set<Layer>(['parts', 'names'])

interface ReachedProps {
  readonly build: OpenBuild
  readonly reach: Reach | undefined
  readonly targets: readonly AssemblyPart[]
}

/** What has to come off, or why there is nothing to tell. */
function Reached({ build, reach, targets }: ReachedProps) {
  const { id } = useOpenBox()
  if (targets.length === 0)
    return (
      <p className="text-lg">
        Name the part that you want to get at, or several. Udrix tells the least that has to come
        off for it.
      </p>
    )
  if (!reach)
    return (
      <p className="text-lg">
        It does not come off as the parts are described.{' '}
        <Link to={`/boxes/${id}/build`} className="text-accent underline">
          See what holds it
        </Link>
        .
      </p>
    )
  if (reach.steps.length === 0) return <p className="text-lg">It is off already.</p>
  return <ReachSteps build={build} reach={reach} targets={targets} />
}

/** The least that has to come off to get at a part or a few. */
export default function BuildReach() {
  const { draft, words } = useOpenBox()
  const { job } = useOpenJob()
  const build = useBuild()
  const { naming, assembly, order, groups } = build
  const [search, change] = useAddress('reach')
  const asked = (search.for ?? '').split('|').filter(Boolean)
  const targets = [...new Set(asked.flatMap((ref) => assembly.byRef.get(ref) ?? []))]
  const off = partsOff(assembly, job.taken)
  const reach = reachOf(naming.box, assembly, order, targets, off)
  const ask = (refs: readonly string[]): void => {
    change({ for: [...new Set(refs)].join('|') })
  }
  const offHere = new Set(reach?.steps.map(({ part }) => part.id))
  const bare = bareParts(groups, off)
  const drawnParts = useMemo(() => partsDrawn(naming.box, assembly), [naming, assembly])
  const classOf = (drawn: string): string | undefined => {
    const part = drawnParts.get(drawn)
    if (!part) return undefined
    if (bare.has(part.id)) return 'is-off'
    return offHere.has(part.id) ? 'in-hand' : undefined
  }
  return (
    <WorkArea title={`${draft.name} · Get at a part`} panel="wide">
      <WorkMain label="What is wanted">
        <WantedParts build={build} asked={asked} onAsk={ask} />
        <div className="build min-h-[16rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            layers={LAYERS}
            classOf={classOf}
            title={`Section along the shafts of ${draft.name}; what has to come off is outlined`}
          />
        </div>
      </WorkMain>
      <WorkPanel>
        <Reached build={build} reach={reach} targets={targets} />
      </WorkPanel>
    </WorkArea>
  )
}
