import { type Behaviour, storedPlan } from '../settings/behaviour'
import type { LoopDocument } from './documents'

/** The loop with all of its planned outputs. */
export const withPlanned = (loop: LoopDocument, planned: Readonly<Record<string, Behaviour>>): LoopDocument => ({
  ...loop,
  settings: { ...loop.settings, planned },
})

/** The loop with one planned output as given. */
export const withPlan = (loop: LoopDocument, id: string, plan: Behaviour): LoopDocument =>
  withPlanned(loop, { ...loop.settings.planned, [id]: storedPlan<Behaviour>(plan) })

/** The loop as it is before anything was chosen: no chain, and nothing planned. */
export const withoutChain = (loop: LoopDocument): LoopDocument =>
  withPlanned({ ...loop, chain: { devices: {}, connections: {} } }, {})
