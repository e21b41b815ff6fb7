import { useCallback } from 'react'
import { noticeGiven } from '../state/noticeSlice'
import { useAppDispatch } from '../state/store'
import { type Doing, useAct } from './useAct'
import type { SendOptions } from './useSend'

/** Does something from where nothing can be said beside it: a tap, a choice, a drawing. What is wrong is told where everybody looks. */
export function useTap() {
  const act = useAct()
  const dispatch = useAppDispatch()
  return useCallback(
    <I>(action: Doing<I>, input: I, options?: Pick<SendOptions, 'why' | 'tell'>): void => {
      const wrong = act(action, input, options)
      if (wrong !== undefined) dispatch(noticeGiven({ text: `Not done: ${wrong}` }))
    },
    [act, dispatch],
  )
}
