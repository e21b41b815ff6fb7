import { useRef, useState } from 'react'
import { useDispatch } from 'react-redux'
import { useNavigate } from 'react-router'
import { api } from '../../state/api'
import { importJobFile } from '../../state/importJobFile'
import type { AppStore } from '../../state/store'
import { jobAt } from '../../lib/addresses'

export interface Opening {
  /** Share of the file that was sent; nothing while none is. */
  readonly sent: number | undefined
  readonly problem: string | undefined
  readonly open: (file: File) => Promise<void>
  readonly stop: () => void
}

/** Opens a job file: sent, taken in, and gone to. What is wrong with it is told and nothing of it is kept. */
export function useImport(): Opening {
  const navigate = useNavigate()
  const dispatch = useDispatch<AppStore['dispatch']>()
  const [sent, setSent] = useState<number>()
  const [problem, setProblem] = useState<string>()
  const stop = useRef<AbortController>(undefined)
  const open = async (file: File) => {
    if (sent !== undefined) return
    setProblem(undefined)
    setSent(0)
    stop.current = new AbortController()
    const answer = await importJobFile(file, setSent, stop.current.signal)
    setSent(undefined)
    if ('problem' in answer) {
      setProblem(`${file.name}: ${answer.problem}`)
      return
    }
    dispatch(api.util.invalidateTags(['jobs']))
    void navigate(jobAt(answer.jobId))
  }
  return { sent, problem, open, stop: () => stop.current?.abort() }
}
