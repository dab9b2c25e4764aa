import type { Route } from './+types/jobBeside'
import type { LoadedJobs } from './jobs.tsx'
import { clientLoader as loadJobs } from './jobs.tsx'

export { default, loader, shouldRevalidate } from './jobs.tsx'

const WITHOUT: LoadedJobs = {
  jobs: [],
  shelf: { initials: [], leaves: [], shims: [], stock: [] },
  rules: [],
  isAway: true,
}

/** Pages that reckon with what a job has measured, and go on without it where it cannot be had. */
export function clientLoader(asked: Route.ClientLoaderArgs): Promise<LoadedJobs> {
  return loadJobs(asked).catch(() => WITHOUT)
}
