import { useQueryStates } from 'nuqs'
import { startTransition, useCallback, useRef } from 'react'
import { useNavigate } from 'react-router'

import type { Address, AddressChanges, AddressPage, ChangeAddress } from '~/views/addresses.ts'
import { ADDRESSES } from '~/views/addresses.ts'

/** No change makes a step for the browser's back button, and the page's data follow. */
const OPTIONS = { history: 'replace', shallow: false, scroll: false } as const

/** An empty text takes its key out, and what is undefined stays as it is. */
function withoutEmpty<P extends AddressPage>(changes: AddressChanges<P>): Partial<Address<P>> {
  return Object.fromEntries(
    Object.entries(changes).flatMap(([key, value]) =>
      value === undefined ? [] : [[key, value === '' ? null : value]],
    ),
  ) as Partial<Address<P>>
}

/**
 * What the page's address says. A change is shown at once, and the address follows; changes in
 * quick succession build on one another. `leave` goes to another page, once this one's address has
 * what was to follow in it.
 */
export function useAddress<P extends AddressPage>(
  page: P,
): readonly [search: Address<P>, change: ChangeAddress<P>, leave: (to: string) => void] {
  // One page's keys of all of them, which the compiler does not see through.
  const [search, set] = useQueryStates(ADDRESSES[page], OPTIONS) as unknown as readonly [
    Address<P>,
    (update: (latest: Address<P>) => Partial<Address<P>>) => Promise<unknown>,
  ]
  const navigate = useNavigate()
  const following = useRef<Promise<unknown>>(undefined)
  const change: ChangeAddress<P> = useCallback(
    (asked, when = 'at-once') => {
      const put = (): void => {
        following.current = set((latest) =>
          withoutEmpty(typeof asked === 'function' ? asked(latest) : asked),
        )
      }
      if (when === 'at-once') put()
      else startTransition(put)
    },
    [set],
  )
  const leave = useCallback(
    (to: string) => {
      void Promise.resolve(following.current).then(() => navigate(to))
    },
    [navigate],
  )
  return [search, change, leave]
}
