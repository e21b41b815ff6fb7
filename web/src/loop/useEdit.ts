import { useCallback } from 'react'
import { applyFix, type Fix } from '@nachtigal/core/check/fix'
import { resolveChain } from '@nachtigal/core/document/chain'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { withDefaultPlans } from '@nachtigal/core/survey/defaultPlans'
import { placing } from '@nachtigal/core/survey/placing'
import { wireList } from '@nachtigal/core/wiring/wireList'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { listChanges } from '@nachtigal/core/wiring/listChanges'
import { useLoop } from './loopContext'
import { newId } from '../lib/newId'

/** Ways to edit the chain in hand: everything that follows from a change rides in the same command. */
export function useEdit() {
  const { job, loop, data, profiles, change, rows: before } = useLoop()
  const apply = useCallback(
    (edited: Edited, options?: Parameters<typeof change>[1]) => {
      const planned = withDefaultPlans(edited, data, () => newId())
      const { rows } = wireList(resolveChain(planned.job, planned.loop.chain), job.practice, loop.wiring.rows)
      const changed = listChanges(before, rows, loop.wiring.rows, loop.wiring.changed)
      const wiring =
        changed === loop.wiring.changed || Object.keys(changed).length === 0
          ? planned.loop.wiring
          : { ...planned.loop.wiring, changed }
      return change({ job: planned.job, loop: { ...planned.loop, wiring } }, options)
    },
    [data, change, job.practice, loop.wiring, before],
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
