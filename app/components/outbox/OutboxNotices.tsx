import { RotateCw, Undo2 } from 'lucide-react'

import type { Outbox } from '~/client/outbox/useOutbox.ts'
import { Warning } from '~/components/Warning.tsx'

interface OutboxNoticesProps<Item> {
  readonly outbox: Omit<Outbox<Item>, 'put'>
  /** An item in a line or several. */
  readonly wordsOf: (item: Item) => readonly string[]
}

/** What waits, and what could not be kept, with what can be done about it. */
export function OutboxNotices<Item>({ outbox, wordsOf }: OutboxNoticesProps<Item>) {
  const { pending, aside, isWaiting, isUnsafe, brokenCount, retry, takeBack } = outbox
  return (
    <>
      {(isWaiting || isUnsafe) && pending.length > 0 && (
        <Warning role="alert" className="bg-trouble-wash px-4 py-2">
          Not yet kept: {isWaiting ? 'Udrix or its database does not answer' : 'on its way'}.{' '}
          {pending.length === 1 ? 'Your entry stays' : `Your ${pending.length} entries stay`} on
          this page
          {isUnsafe
            ? ' only: this browser’s store is full or switched off. Leave the page open until all is kept.'
            : `, also through a reload, and ${pending.length === 1 ? 'is' : 'are'} sent as soon as it does.`}
        </Warning>
      )}
      {brokenCount > 0 && (
        <Warning role="alert" className="bg-trouble-wash px-4 py-2">
          {brokenCount === 1 ? 'One entry' : `${brokenCount} entries`} of an earlier visit could not
          be read from this browser’s store. Look whether what you entered last is there.
        </Warning>
      )}
      {aside.length > 0 && (
        <section aria-label="Set aside" className="bg-trouble-wash px-4 py-1">
          <Warning role="alert">
            {aside.length === 1 ? 'One entry was' : `${aside.length} entries were`} not kept and{' '}
            {aside.length === 1 ? 'is' : 'are'} set aside here.
          </Warning>
          <ul>
            {aside.map(({ key, item, aside: reason }) => (
              <li key={key} className="flex flex-wrap items-center gap-x-3">
                <span className="min-w-0 flex-1 break-words">
                  <b>{wordsOf(item).slice(0, 3).join(' · ')}</b>. {reason}
                </span>
                <button
                  type="button"
                  className="button-quiet"
                  onClick={() => {
                    retry(key)
                  }}
                >
                  <RotateCw aria-hidden /> Try again
                </button>
                <button
                  type="button"
                  className="button-quiet"
                  onClick={() => {
                    takeBack(key)
                  }}
                >
                  <Undo2 aria-hidden /> Take back
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  )
}
