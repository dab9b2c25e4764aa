import { Footprints } from 'lucide-react'

import { useChangeSettings } from '~/components/useChangeSettings.ts'
import { Warning } from '~/components/Warning.tsx'

/** Offers the tour to who is here for the first time. */
export function TourOffer() {
  const { change, trouble } = useChangeSettings()
  return (
    <section
      aria-label="First time here"
      className="bg-accent-wash border-accent mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-2 px-4 py-1.5"
    >
      <p className="min-w-[16rem] flex-1">
        <b>First time here?</b> Five steps on a demo box show what Udrix does.
      </p>
      <a href="/tour" className="button button-main">
        <Footprints aria-hidden /> Show me round
      </a>
      <button
        type="button"
        className="button-quiet"
        onClick={() => {
          change({ isTourOffered: 'false' })
        }}
      >
        Not now
      </button>
      {trouble !== undefined && <Warning role="alert">{trouble}</Warning>}
    </section>
  )
}
