import { useCallback, useEffect, useRef, useState } from 'react'
import { useDispatch } from 'react-redux'
import type { LogVerdict } from '@nachtigal/contract/api'
import { api } from '../../state/api'
import type { AppStore } from '../../state/store'

interface Chain {
  readonly verdict: LogVerdict | undefined
  /** Rows are being looked at. */
  readonly busy: boolean
  /** Looks at every row again, from the first. */
  readonly all: () => void
  readonly stop: () => void
}

/** Whether the rows of a log follow from one another: at first those that nobody looked at yet, so many at a time. */
export function useChain(jobId: string, total: number | undefined): Chain {
  const dispatch = useDispatch<AppStore['dispatch']>()
  const [verdict, setVerdict] = useState<LogVerdict>()
  const [busy, setBusy] = useState(false)
  const turn = useRef(0)
  const look = useCallback(
    async (first?: number) => {
      const mine = ++turn.current
      setBusy(true)
      for (let from = first; mine === turn.current;) {
        const { data } = await dispatch(
          api.endpoints.logVerdict.initiate(
            { jobId, ...(from === undefined ? {} : { from }) },
            { forceRefetch: true, subscribe: false },
          ),
        )
        if (mine !== turn.current || !data) break
        setVerdict(data)
        if (data.brokenAt !== undefined || data.checked >= data.rows) break
        from = data.checked
      }
      if (mine === turn.current) setBusy(false)
    },
    [dispatch, jobId],
  )
  useEffect(() => {
    if (total !== undefined) void look()
    return () => {
      // A counter, no element: the one of then would stop nothing.
      // eslint-disable-next-line react-hooks/exhaustive-deps
      turn.current++
    }
  }, [look, total])
  const stop = () => {
    turn.current++
    setBusy(false)
  }
  return { verdict, busy, all: () => void look(0), stop }
}
