/** Drives in a worker of their own; a new task ends the one that is under way. */
import { proxy, wrap } from 'comlink'
import { startTransition, useEffect, useMemo, useState } from 'react'

import type { DriveAnswer, DriveJob, LastOfDrive, TellDrive } from '~/views/drive/driveJob.ts'
import type { DriveWorker } from '~/workers/drive.ts'

/** What came of the drive that is asked for, once there is something. */
interface DriveState {
  readonly answer: DriveAnswer | undefined
  readonly isRunning: boolean
  /** The part done, 0 to 1. */
  readonly done: number
  /** The worker could not be had, or fell over its task. */
  readonly hasFailed: boolean
}

/** What a worker tells of its job. */
interface Heard {
  readonly done: number
  /** What came of the box itself, before the figures of other drives. */
  readonly first?: DriveAnswer
  /** What it ends with. */
  readonly last?: LastOfDrive
  readonly hasFailed?: true
}

interface Known extends Heard {
  readonly job: DriveJob
}

function answerOf({ first, last }: Heard): DriveAnswer | undefined {
  if (last?.ok === false) return last
  return first?.ok && last ? { ...first, ...last } : first
}

export function useDrive(job: DriveJob | undefined): DriveState {
  const [known, setKnown] = useState<Known>()
  useEffect(() => {
    if (!job) return
    const worker = new Worker(new URL('../../workers/drive.ts', import.meta.url), {
      type: 'module',
    })
    let isWanted = true
    const hear = (heard: Heard): void => {
      // Much is drawn anew, and what a hand does comes before it.
      startTransition(() => {
        if (isWanted)
          setKnown((before) => ({ ...(before?.job === job ? before : {}), ...heard, job }))
      })
    }
    const fail = (): void => {
      hear({ done: 1, hasFailed: true })
    }
    worker.addEventListener('error', fail)
    const onTell = (...[done, answer]: Parameters<TellDrive>): Promise<void> => {
      // Whatever it ends with says that it is done.
      hear({ done: Math.min(done, 0.99), ...(answer && { first: answer }) })
      return Promise.resolve()
    }
    void wrap<DriveWorker>(worker)
      .run(job, proxy(onTell))
      .then((last) => {
        hear({ done: 1, last })
      }, fail)
      .finally(() => {
        worker.terminate()
      })
    return () => {
      isWanted = false
      worker.terminate()
    }
  }, [job])
  // What came of another job is not shown under the name of this one.
  const own = known?.job === job ? known : undefined
  const answer = useMemo(() => own && answerOf(own), [own])
  return {
    answer,
    isRunning: job !== undefined && !own?.last && !own?.hasFailed,
    done: own?.done ?? 0,
    hasFailed: own?.hasFailed === true,
  }
}
