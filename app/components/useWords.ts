import { useMemo } from 'react'
import { useRouteLoaderData } from 'react-router'

import type { loader } from '~/root.tsx'
import { DEFAULT_SETTINGS } from '~/settings.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'

/** The words that the person has chosen, wherever a component stands. */
export function useWords(): Vocabulary {
  const settings = useRouteLoaderData<typeof loader>('root')?.settings ?? DEFAULT_SETTINGS
  return useMemo(() => vocabularyOf(settings), [settings])
}
