import { useMemo } from 'react'

import type { Assembly, AssemblyPart, Order, Section } from 'core'
import { assemblyOf, indexBox, layOutSection, orderOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import type { Group } from '~/views/build/buildView.ts'
import { groupsOf } from '~/views/build/buildView.ts'
import { assemblyPartName } from '~/words/build.ts'
import type { Naming } from '~/words/names.ts'

/** The unit as parts that come apart, with what the pages of Build need of it. */
export interface OpenBuild {
  readonly naming: Naming
  readonly section: Section
  readonly assembly: Assembly
  readonly order: Order
  readonly groups: readonly Group[]
  readonly nameOf: (part: AssemblyPart) => string
}

export function useBuild(): OpenBuild {
  const { draft, words } = useOpenBox()
  return useMemo(() => {
    const naming = { box: indexBox(draft), words }
    const assembly = assemblyOf(draft)
    const order = orderOf(assembly)
    return {
      naming,
      section: layOutSection(draft),
      assembly,
      order,
      groups: groupsOf(assembly, order),
      nameOf: (part) => assemblyPartName(naming, part),
    }
  }, [draft, words])
}
