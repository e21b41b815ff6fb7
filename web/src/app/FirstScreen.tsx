import { lazy, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { JobsPlace } from '../features/jobs/JobsPlace'
import { Finding } from './Finding'

const FindJobs = lazy(async () => ({ default: (await import('../features/find/FindJobs')).FindJobs }))

/** While a sheet lies over the page the keys are its own. */
const find = {
  preventDefault: true,
  ignoreEventWhen: () => document.querySelector('[role="dialog"]') !== null,
} as const

/** The jobs on this server, and what finds them. */
export function FirstScreen() {
  const [finding, setFinding] = useState(false)
  useHotkeys('/', () => setFinding(true), { ...find, useKey: true })
  useHotkeys('mod+k', () => setFinding(true), { ...find, enableOnFormTags: true })
  return (
    <>
      <JobsPlace onFind={() => setFinding(true)} />
      {finding ? <Finding sheet={FindJobs} onClose={() => setFinding(false)} /> : null}
    </>
  )
}
