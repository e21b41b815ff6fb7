import { useMemo } from 'react'
import type { Category } from '@nachtigal/core/choices/deviceChoices'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { idleSupplies } from '@nachtigal/core/wiring/idleSupplies'
import { useJob } from '../../loop/jobContext'
import { useLoop } from '../../loop/loopContext'

/** The devices of a category in the loop in hand; among the supplies also those of the job that feed nothing yet. */
export function useDevicesOf(): (category: Category) => readonly ResolvedDevice[] {
  const { chain, job } = useLoop()
  const { loops } = useJob()
  const all = useMemo(() => [...chain.devices, ...idleSupplies(job, Object.values(loops))], [chain, job, loops])
  return (category) => all.filter(({ facts }) => facts.category === category)
}
