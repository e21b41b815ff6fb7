import { useLayoutEffect } from 'react'
import { useMatch, useNavigate, useParams } from 'react-router'
import { useStore } from 'react-redux'
import { ordered } from '@nachtigal/core/schema/ordered'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { selectJob } from '../lib/documentsSlice'
import type { AppStore } from '../lib/store'
import { unitLookedAt } from '../lib/viewSlice'
import { useUndo } from '../loop/useUndo'

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.matches('input, select, textarea') || target.isContentEditable)

/** Keys of a job: 1 to 7 steps, j and k loops, u the other unit, b board, g log, . a quick sum, ? the list of keys. */
export function useKeys() {
  const navigate = useNavigate()
  const { jobId = '' } = useParams()
  const store = useStore() as AppStore
  const match = useMatch('/jobs/:jobId/loops/:loopId/:step/*')
  const loopId = match?.params.loopId
  const step = match?.params.step
  const undo = useUndo(jobId)
  // With the page itself, not after it is painted: a key pressed at once belongs to what is seen.
  useLayoutEffect(() => {
    const go = (to: string) => void navigate(to, { flushSync: true })
    const press = (event: KeyboardEvent) => {
      if (!typing(event.target) && (event.ctrlKey || event.metaKey) && event.key === 'z') {
        const last = store
          .getState()
          .documents.recent.filter((command) => command.jobId === jobId && command.change[0]?.path.length !== 0)
          .at(-1)
        if (last) undo(last)
        return
      }
      if (
        typing(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        document.querySelector('[role="dialog"]')
      )
        return
      const shown = selectJob(store.getState(), jobId)
      if (!shown) return
      const all = ordered(shown.loops)
      const at = all.findIndex(({ id }) => id === loopId)
      const toStep = workflowSteps[Number(event.key) - 1]
      if (toStep && loopId) go(`/jobs/${jobId}/loops/${loopId}/${toStep}`)
      else if ((event.key === 'j' || event.key === 'k') && all.length > 0) {
        const next = all[(at + (event.key === 'j' ? 1 : -1) + all.length) % all.length]!
        go(`/jobs/${jobId}/loops/${next.id}/${step ?? 'survey'}`)
      } else if (event.key === 'u') {
        const { unit } = store.getState().view
        const shownUnit = unit ?? shown.job.temperatureUnit
        const other = shownUnit === 'C' ? 'F' : 'C'
        store.dispatch(unitLookedAt(other === shown.job.temperatureUnit ? null : other))
      } else if (event.key === 'b') go(`/jobs/${jobId}`)
      else if (event.key === 'g') go(`/jobs/${jobId}/log`)
      else if (event.key === '.') {
        event.preventDefault()
        go(`/jobs/${jobId}/calculators`)
        document.querySelector<HTMLInputElement>('[data-find-sum]')?.focus()
      } else if (event.key === '?') document.querySelector<HTMLButtonElement>('[data-keys]')?.click()
    }
    addEventListener('keydown', press)
    return () => removeEventListener('keydown', press)
  }, [navigate, store, jobId, loopId, step, undo])
}
