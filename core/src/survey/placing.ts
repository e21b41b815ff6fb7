import { answersOf } from '../kinds/answersOf'
import type { LoopDocument } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import type { DeviceProfile } from '../device/deviceProfile'
import type { ProbePlace } from '../choices/deviceChoices'
import type { Placing } from '../wiring/chainEdit'
import { isLowAtHand } from './atHand'
import { actionOptions } from '../device/actionOptions'
import { actionOf } from '../kinds/actionOf'
import { factsOfKind } from '../kinds/kinds'
import { freezePoint, liquids } from '../kinds/freezePoint'

/**
 * Where a new device goes and what it is set to, as this kind of loop usually has it: a limiter's dial, a probe's place, what the
 * transformer that is there can give.
 */
export function placing(loop: LoopDocument, profile: DeviceProfile, data: FieldData): Placing {
  const { limiter, probe, permissive } = profile
  const { transformerVa } = answersOf(loop)
  if (typeof transformerVa === 'number' && isLowAtHand(answersOf(loop), profile))
    return { nameplate: { ratedVa: transformerVa } }
  const facts = factsOfKind(loop.kind)
  if (profile.controller) {
    const set = actionOptions(profile, actionOf(loop)) ?? {}
    if (Object.keys(set).length > 0) return { set }
  }
  if (permissive?.senses === 'frost' && permissive.lowC !== undefined && permissive.highC !== undefined) {
    const usualC = freezeCutOutC(loop, data)
    return usualC === undefined ? {} : { dialC: Math.min(permissive.highC, Math.max(permissive.lowC, usualC)) }
  }
  if (limiter && limiter.opens !== 'fall') {
    const usualC = facts.limiterC(answersOf(loop), data)
    return { dialC: Math.round(Math.min(limiter.highC, Math.max(limiter.lowC, usualC))) }
  }
  const wanted = facts.places(answersOf(loop)).find((place) => probe?.places?.[place])
  const own = Object.keys(probe?.places ?? {})[0] as ProbePlace | undefined
  const sits = wanted ?? own
  return sits === undefined ? {} : { sits }
}

/** A freeze thermostat's place: in the middle between the ice and the coldest that the control goes, on half kelvins. */
function freezeCutOutC(loop: LoopDocument, data: FieldData): number | undefined {
  const { target, liquid, glycol } = answersOf(loop)
  const kind = liquids.find((each) => each === liquid)
  if (!kind || typeof target !== 'number') return undefined
  const iceC = freezePoint(kind, typeof glycol === 'number' ? glycol : 0, data)
  const coldestC = target - 1
  return coldestC > iceC ? Math.round(iceC + coldestC) / 2 : undefined
}
