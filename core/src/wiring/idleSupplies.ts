import { type Chain, resolveDevice, type ResolvedDevice } from '../document/chain'
import { ordered } from '../schema/ordered'
import type { JobDocument } from '../document/documents'

/** Supplies that the job has and none of its loops is fed from yet. */
export function idleSupplies(
  job: Pick<JobDocument, 'devices' | 'profiles'>,
  loops: readonly { readonly chain: Chain }[],
): readonly ResolvedDevice[] {
  const used = new Set(
    loops.flatMap(({ chain }) => Object.values(chain.connections).flatMap(({ from, to }) => [from.device, to.device])),
  )
  return ordered(job.devices)
    .filter(({ id }) => !used.has(id))
    .flatMap((device) => resolveDevice(job, device, true) ?? [])
}
