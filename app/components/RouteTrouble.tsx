import { useEffect, useState } from 'react'
import { isRouteErrorResponse } from 'react-router'

import { Trouble } from './Trouble.tsx'

/** What nobody foresaw; or, where the server is away, that. */
function Unforeseen() {
  const [isAway, setIsAway] = useState<boolean>()
  useEffect(() => {
    fetch('/healthz').then(
      () => {
        setIsAway(false)
      },
      () => {
        setIsAway(true)
      },
    )
  }, [])
  if (isAway === undefined)
    return <Trouble title="One moment" sentence="Looking whether Udrix is there." />
  return isAway ? (
    <Trouble
      title="Udrix does not answer"
      sentence="Nothing that was kept is lost, and what waits in this browser waits still. This page opens by itself as soon as Udrix is back; the page before is one step back."
      isRetried
    />
  ) : (
    <Trouble
      title="Something went wrong here"
      sentence="This page could not be shown. What was marked as kept is kept, and what waited in this browser waits still. Load the page again; if it happens again, the server’s log says why."
    />
  )
}

/** What is wrong with a page that cannot be shown, and what to do. */
export function RouteTrouble({ error }: { readonly error: unknown }) {
  if (!isRouteErrorResponse(error)) return <Unforeseen />
  if (error.status === 404)
    return (
      <Trouble
        title="Not on the bench"
        sentence={
          typeof error.data === 'string'
            ? error.data
            : 'There is nothing at this address. Go to the bench and open the box from there.'
        }
      />
    )
  if (error.status === 410 && typeof error.data === 'string')
    return (
      <Trouble title="Taken off the bench" sentence={error.data}>
        <a className="button button-main" href="/deleted">
          Deleted boxes
        </a>
      </Trouble>
    )
  if (error.status === 422 && typeof error.data === 'string')
    return <Trouble title="Udrix cannot read this" sentence={error.data} />
  if (error.status === 503)
    return (
      <Trouble
        title="The database does not answer"
        sentence="Nothing that was kept is lost. This page opens by itself as soon as the database is back."
        isRetried
      />
    )
  return (
    <Trouble
      title="That did not work"
      sentence={typeof error.data === 'string' ? error.data : 'Go back and try again.'}
    />
  )
}
