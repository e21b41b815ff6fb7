import type { LoopDocument } from '../job/documents'
import type { FieldData } from '../plant/fieldValue'
import type { DeviceProfile, ProbePlace } from '../profile/deviceProfile'
import type { Placing } from '../wiring/chainEdit'
import { factsOfKind } from './kindFacts'

/** Where a new device goes and what it is set to, as this kind of loop usually has it: a limiter's dial, a probe's place. */
export function placing(loop: LoopDocument, { limiter, probe }: DeviceProfile, data: FieldData): Placing {
  const facts = factsOfKind(loop.kind)
  if (limiter && limiter.opens !== 'fall') {
    const usualC = facts.limiterC(loop.survey.answers, data)
    return { dialC: Math.round(Math.min(limiter.highC, Math.max(limiter.lowC, usualC))) }
  }
  const wanted = facts.places(loop.survey.answers).find((place) => probe?.places?.[place])
  const own = Object.keys(probe?.places ?? {})[0] as ProbePlace | undefined
  const sits = wanted ?? own
  return sits === undefined ? {} : { sits }
}
