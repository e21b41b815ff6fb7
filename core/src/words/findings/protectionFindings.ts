import { withArticle } from '../terms'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about limiters and minimum off times. */
export const protectionFindings = {
  C017_OWN_PROTECTION: (f: { readonly tag: string; readonly own: string }): Sentences => ({
    head: `${f.tag} brings its own protection.`,
    reason: `${f.own}.`,
    remedy: 'It is proved with everything else; nothing of ours stands in for it.',
  }),
  C018_LIMITER_NOT_INDEPENDENT: (f: { readonly tag: string; readonly deviceTag: string }): Sentences => ({
    head: `${f.tag} only takes the command of ${f.deviceTag} away.`,
    reason: 'The relay that it opens also controls: when that one welds, nothing switches off.',
    remedy: 'Put its contact into the load\u2019s own line, or give it a contactor of its own.',
  }),
  C013_NO_LIMITER: (f: { readonly tag: string }, { term }: Words): Sentences => ({
    head: `No independent ${term('limiter')} before ${f.tag}.`,
    reason: 'A contact that welds heats on. The controller\u2019s own contact does not count as its limit.',
    remedy: `Put a ${term('limiter')} with its own probe and its own contact into this line.`,
  }),
  C043_SOLID_STATE_FAILS_CLOSED: (
    f: { readonly tag: string; readonly deviceTag: string },
    { term }: Words,
  ): Sentences => ({
    head: `${f.tag} fails closed.`,
    reason: 'Most solid-state relays that die stay on. Taking their input away then does nothing.',
    remedy: `A ${term('limiter')} with a contactor of its own in the line of ${f.deviceTag}.`,
  }),
  C016_LIMITER_NOT_SET: (f: { readonly tag: string; readonly usual: string }, { term }: Words): Sentences => ({
    head: `Nobody wrote down what ${f.tag} is set to.`,
    reason: `A ${term('limiter')} that is not set to what it protects does not protect it.`,
    remedy: `Read its dial, set it to ${f.usual} or lower, write it down.`,
  }),
  C014_LIMITER_TOO_HIGH: (
    f: {
      readonly tag: string
      readonly dialC: number
      readonly known: boolean
      readonly highest: number
      readonly usual: string
    },
    { say, term }: Words,
  ): Sentences => ({
    head: `${f.tag} is set over the ${term('screed')}\u2019s limit.`,
    reason: `${say(f.dialC, 'temperature', 0)} at the pipe; ${f.known ? `this ${term('screed')}` : `a ${term('screed')} of unknown kind`} takes ${say(f.highest, 'temperature', 0)} (EN 1264-4).`,
    remedy: 'Set it lower.',
  }),
  C019_LIMITER_LOOSE: (
    f: { readonly tag: string; readonly dialC: number; readonly usualC: number; readonly targetC: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} is set far over what it protects.`,
    reason: `${say(f.dialC, 'temperature', 0)}; ${say(f.usualC, 'temperature', 0)} is usual for ${say(f.targetC, 'temperature', 0)}.`,
    remedy: 'Set it lower.',
  }),
  C028_LIMITER_UNDER_TARGET: (
    f: { readonly tag: string; readonly dialC: number; readonly targetC: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} trips before the target is reached.`,
    reason: `It opens at ${say(f.dialC, 'temperature', 0)}, the target is ${say(f.targetC, 'temperature', 0)}.`,
    remedy: 'Set it over the target, and no higher than what it protects bears.',
  }),
  C015_SUPPLY_OVER_LIMITER: (
    f: { readonly tag: string; readonly supplyC: number; readonly dialC: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `${f.tag} will trip at the design supply.`,
    reason: `Supply ${say(f.supplyC, 'temperature')}, ${term('limiter')} ${say(f.dialC, 'temperature')}.`,
    remedy: `Lower the ${term('flowWater')}. The ${term('limiter')} stays.`,
  }),
  C035_MINIMUM_OFF_SHORT: (
    f: {
      readonly tag: string
      readonly minimumOffS: number
      readonly name: string
      readonly minimumOffS2: number
      /** Whether the controller has such a setting. */
      readonly able: boolean
    },
    { say, term }: Words,
  ): Sentences => ({
    head: `${f.tag} must stay off longer.`,
    reason: f.able
      ? `Planned ${term('minimumOffTime')} ${say(f.minimumOffS, 'seconds')}; ${f.name} asks for ${say(f.minimumOffS2, 'seconds')}.`
      : `${f.name} asks for ${say(f.minimumOffS2, 'seconds')}; this controller has no ${term('minimumOffTime')}.`,
    remedy: f.able
      ? `A longer ${term('minimumOffTime')}.`
      : `A controller with ${withArticle(term('minimumOffTime'))}, or a delay on the load’s own call.`,
  }),
  C034_MINIMUM_OFF_TWICE: (
    f: { readonly tag: string; readonly minimumOffS: number; readonly name: string; readonly minimumOffS2: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `Both time the ${term('minimumOffTime')} of ${f.tag}.`,
    reason: `The control keeps ${say(f.minimumOffS, 'seconds')}, ${f.name} ${say(f.minimumOffS2, 'seconds')}. Timed from the stop the longer one rules; a delay on the call adds.`,
    remedy: 'Leave it to the load alone, or know that the longer one counts.',
  }),
}
