import { useEffect, useMemo, useState } from 'react'
import { type Picture, pictureOf } from '@nachtigal/core/wiring/picture/picture'
import { type LaidOut, layoutGraph, picturePlan } from '@nachtigal/core/wiring/picture/pictureGraph'
import { useLoop } from '../../loop/loopContext'

/** The picture of this loop's wires, routed anew whenever the list changes. */
export function usePicture(): { readonly picture: Picture | undefined; readonly problem: string | undefined } {
  const { chain, rows, words } = useLoop()
  const plan = useMemo(() => picturePlan(chain, rows), [chain, rows])
  const graph = useMemo(() => layoutGraph(plan), [plan])
  const key = JSON.stringify(graph)
  const [laid, setLaid] = useState<{ readonly key: string; readonly result: LaidOut }>()
  const [problem, setProblem] = useState<string>()
  useEffect(() => {
    let wanted = true
    void (async () => {
      try {
        const { layPicture } = await import('../../workers/layPicture')
        const result = await layPicture(JSON.parse(key) as typeof graph)
        if (wanted) setLaid({ key, result })
      } catch (error) {
        if (wanted) setProblem(error instanceof Error ? error.message : String(error))
      }
    })()
    return () => {
      wanted = false
    }
  }, [key])
  const picture = useMemo(
    () => (laid?.key === key ? pictureOf(chain, plan, laid.result, words) : undefined),
    [laid, key, chain, plan, words],
  )
  return { picture, problem }
}
