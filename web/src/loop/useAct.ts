import { useCallback } from 'react'
import { inputRefusal } from '@nachtigal/contract/inputRefusal'
import type { Hand } from '@nachtigal/core/actions/action'
import type { RecordField } from '@nachtigal/core/schema/field'
import { Refused } from '@nachtigal/core/units/refused'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { newId } from '../lib/newId'
import { useAppSelector } from '../state/store'
import { useLoop } from './loopContext'
import type { SendOptions } from './useSend'

/** An action with the type of its input. */
export interface Doing<I> {
  readonly id: string
  readonly input: RecordField
  readonly run: (edited: Edited, input: I, hand: Hand) => Edited
}

/** Does something to the loop in hand or its job, as one command. Answers what is wrong, and then nothing is changed. */
export function useAct() {
  const { job, loop, loops, data, profiles, change } = useLoop()
  const by = useAppSelector((state) => state.view.by)
  return useCallback(
    <I>(action: Doing<I>, input: I, options: Pick<SendOptions, 'why' | 'tell'> = {}): string | undefined => {
      const wrong = inputRefusal(action, input)
      if (wrong) return wrong.message
      try {
        const after = action.run({ job, loop }, input, {
          ...{ by, at: new Date().toISOString(), newId, data },
          ...{ shelf: profiles, loops },
        })
        return change(after, { ...options, action: action.id })
      } catch (error) {
        if (error instanceof Refused) return error.message
        throw error
      }
    },
    [job, loop, loops, data, profiles, by, change],
  )
}
