import { useCallback } from 'react'
import { followChain } from '@nachtigal/core/actions/followChain'
import { applyFix } from '@nachtigal/core/check/fix'
import { type Fix } from '@nachtigal/core/shapes/fix'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { placing } from '@nachtigal/core/survey/placing'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { useLoop } from './loopContext'
import { newId } from '../lib/newId'

/** Ways to edit the chain in hand: everything that follows from a change rides in the same command. */
export function useEdit() {
  const { job, loop, data, profiles, change, rows: before } = useLoop()
  const apply = useCallback(
    (edited: Edited, options?: Parameters<typeof change>[1]) =>
      change(followChain(edited, before, { data, newId }), options),
    [data, change, before],
  )
  const placed = useCallback((profile: DeviceProfile) => placing(loop, profile, data), [loop, data])
  const fix = useCallback(
    (wanted: Fix, why: string) => {
      const made = applyFix({ job, loop }, wanted, profiles, () => newId(), placed)
      if (made) apply(made, { why })
    },
    [job, loop, profiles, placed, apply],
  )
  return { edited: { job, loop }, apply, placed, fix }
}
