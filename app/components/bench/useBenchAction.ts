import { useSearchParams } from 'react-router'

/** Where the forms of the bench go, so that it shows the same boxes in the same order afterwards. */
export function useBenchAction(): string {
  const [search] = useSearchParams()
  const kept = new URLSearchParams(search)
  kept.delete('index')
  return kept.size === 0 ? '/?index' : `/?index&${kept}`
}
