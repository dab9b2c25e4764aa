import { ArrowLeft, ArrowRight, X } from 'lucide-react'
import { Link, useSearchParams } from 'react-router'

import { useWords } from '~/components/useWords.ts'
import { TOUR_LENGTH, tourPath, tourStep } from '~/views/tour.ts'
import { readAddress } from '~/views/addresses.ts'

/** The step of the tour that the address asks for, above the page that it is about. */
export function Tour({ base }: { readonly base: string }) {
  const [search] = useSearchParams()
  const words = useWords()
  const step = tourStep(words, readAddress('box', search).tour)
  if (!step) return null
  const { at, title, sentence } = step
  const without = new URLSearchParams(search)
  without.delete('tour')
  return (
    <section
      aria-label="Tour"
      className="bg-accent-wash border-accent no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 px-4 py-1.5"
    >
      <p className="min-w-[16rem] flex-1" role="status">
        <b>
          {at} of {TOUR_LENGTH}: {title}.
        </b>{' '}
        {sentence}
      </p>
      <div className="flex flex-wrap gap-2">
        {at > 1 && (
          <Link to={base + tourPath(at - 1)} className="button">
            <ArrowLeft aria-hidden /> Back
          </Link>
        )}
        {at < TOUR_LENGTH ? (
          <Link to={base + tourPath(at + 1)} className="button button-main">
            Next <ArrowRight aria-hidden />
          </Link>
        ) : (
          <Link to="/new" className="button button-main">
            Start a box of your own
          </Link>
        )}
        <Link to={`?${without}`} className="button-quiet">
          <X aria-hidden /> Leave the tour
        </Link>
      </div>
    </section>
  )
}
