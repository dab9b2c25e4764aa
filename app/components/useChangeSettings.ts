import { useFetcher } from 'react-router'

import type { Settings } from '~/settings.ts'

interface ChangeSettings {
  readonly change: (values: Readonly<Partial<Record<keyof Settings, string>>>) => void
  readonly isBusy: boolean
  /** Why the last change was not made. */
  readonly trouble: string | undefined
}

/** Changes settings from wherever they are chosen, and says what could not be set. */
export function useChangeSettings(): ChangeSettings {
  const { submit, state, data } = useFetcher<{ readonly sentence: string } | null>()
  return {
    change: (values) => void submit(values, { method: 'post', action: '/settings' }),
    isBusy: state !== 'idle',
    trouble: state === 'idle' ? data?.sentence : undefined,
  }
}
