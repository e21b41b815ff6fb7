import { useCallback } from 'react'
import { applyFix, type Fix } from '@nachtigal/core/check/fix'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import { withDefaultPlans } from '@nachtigal/core/survey/defaultPlans'
import { placing } from '@nachtigal/core/survey/placing'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { useLoop } from './loopContext'

/** Ways to edit the chain in hand: everything that follows from a change rides in the same command. */
export function useEdit() {
  const { job, loop, data, profiles, change } = useLoop()
  const apply = useCallback(
    (edited: Edited, options?: Parameters<typeof change>[1]) => {
      const planned = withDefaultPlans(edited, data, () => crypto.randomUUID())
      return change({ job: planned.job, loop: planned.loop }, options)
    },
    [data, change],
  )
  const placed = useCallback((profile: DeviceProfile) => placing(loop, profile, data), [loop, data])
  const fix = useCallback(
    (wanted: Fix, why: string) => {
      const made = applyFix({ job, loop }, wanted, profiles, () => crypto.randomUUID(), placed)
      if (made) apply(made, { why })
    },
    [job, loop, profiles, placed, apply],
  )
  return { edited: { job, loop }, apply, placed, fix }
}
