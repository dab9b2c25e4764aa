import { useState } from 'react'

/**
 * What a form was answered last on this page. The router forgets it as soon as the page's
 * data are looked at anew, which happens whenever something changes elsewhere.
 */
export function useLastWord<Said>(actionData: Said | undefined): Said | undefined {
  const [last, setLast] = useState(actionData)
  if (actionData !== undefined && actionData !== last) setLast(actionData)
  return actionData ?? last
}
