import { useHotkeys } from 'react-hotkeys-hook'
import { useMatch, useNavigate, useParams } from 'react-router'
import { useStore } from 'react-redux'
import { ordered } from '@nachtigal/core/schema/ordered'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { selectJob } from '../state/documentsSlice'
import type { AppStore } from '../state/store'
import { unitLookedAt } from '../state/viewSlice'
import { useUndo } from '../loop/useUndo'
import { jobAt, loopAt } from '../lib/addresses'

/** A handle, a device that is chosen or an entry of a list takes no text: keys are heard there as anywhere. */
const noText = ['slider', 'spinbutton', 'menuitem', 'menuitemcheckbox', 'menuitemradio', 'option', 'radio'] as const

/** By the sign that is typed, wherever its key lies. While a sheet lies over the page the keys are its own. */
const plain = {
  useKey: true,
  enableOnFormTags: noText,
  ignoreEventWhen: () => document.querySelector('[role="dialog"]') !== null,
} as const

/**
 * Keys of a job: 1 to 7 steps, n and p their parts, j and k loops, u the other unit, b board, g log, . a quick calculation, / find anything, ? the list of
 * keys.
 */
export function useKeys(onFind: () => void) {
  const navigate = useNavigate()
  const { jobId = '' } = useParams()
  const store = useStore() as AppStore
  const match = useMatch('/jobs/:jobId/loops/:loopId/:step/*')
  const loopId = match?.params.loopId
  const step = match?.params.step
  const undo = useUndo(jobId)
  const go = (to: string) => void navigate(to, { flushSync: true })
  const shown = () => selectJob(store.getState(), jobId)

  const takeBack = () => {
    const last = store
      .getState()
      .documents.recent.filter((command) => command.jobId === jobId && command.change[0]?.path.length !== 0)
      .at(-1)
    if (last) undo(last)
  }
  useHotkeys('mod+z', takeBack, { enableOnFormTags: noText })
  useHotkeys(
    workflowSteps.map((_, i) => String(i + 1)),
    ({ key }) => {
      const to = workflowSteps[Number(key) - 1]
      if (to && loopId && shown()) go(loopAt(jobId, loopId, to))
    },
    plain,
  )
  useHotkeys(
    'j,k',
    ({ key }) => {
      const all = ordered(shown()?.loops ?? {})
      if (all.length === 0) return
      const at = all.findIndex(({ id }) => id === loopId)
      const next = all[(at + (key === 'j' ? 1 : -1) + all.length) % all.length]!
      go(loopAt(jobId, next.id, step ?? 'survey'))
    },
    plain,
  )
  useHotkeys(
    'u',
    () => {
      const job = shown()?.job
      if (!job) return
      const other = (store.getState().view.unit ?? job.temperatureUnit) === 'C' ? 'F' : 'C'
      store.dispatch(unitLookedAt(other === job.temperatureUnit ? null : other))
    },
    plain,
  )
  useHotkeys(
    'n,p',
    ({ key }) => {
      const parts = [...document.querySelectorAll<HTMLElement>('[data-parts] > a, [data-parts] > button')]
      const here = parts.findIndex((part) => part.getAttribute('aria-current') === 'step')
      parts.at((Math.max(here, 0) + (key === 'n' ? 1 : -1)) % Math.max(1, parts.length))?.click()
    },
    plain,
  )
  useHotkeys('b', () => go(jobAt(jobId)), plain)
  useHotkeys('g', () => go(jobAt(jobId, 'log')), plain)
  useHotkeys(
    '.',
    () => {
      go(jobAt(jobId, 'calculators'))
      document.querySelector<HTMLInputElement>('[data-find-sum]')?.focus()
    },
    { ...plain, preventDefault: true },
  )
  useHotkeys('/', onFind, { ...plain, preventDefault: true })
  useHotkeys('mod+k', onFind, {
    ...plain,
    preventDefault: true,
    enableOnFormTags: true,
  })
  useHotkeys('?', () => document.querySelector<HTMLButtonElement>('[data-keys]')?.click(), plain)
}
