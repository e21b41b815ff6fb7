import { capital } from '../terms'
import { conventionSays } from '../../settings/switching/law/conventionWords'
import type { Convention } from '../../settings/switching/law/switchingPoints'
import type { Words } from '../words'
import { type CauseCode, sayCause, sayVerdict, type VerdictCode } from '../sayVerdict'
import type { Sentences } from '../sentences'

/** A place this far from its set is not told where it settles, K. */
const FAR_K = 20

/** Sentences of the findings about what is planned and proved. */
export const planFindings = {
  C025_SURFACE_OVER_LIMIT: (
    f: { readonly inScreed: boolean; readonly hottestC: number; readonly limitC: number },
    { say }: Words,
  ): Sentences => ({
    head: 'Floor goes over its surface limit.',
    reason: f.inScreed
      ? `Cuts out at ${say(f.hottestC, 'temperature')}; ${`this floor may reach ${say(f.limitC, 'temperature')} (EN 1264, covering).`}`
      : `Holding the room at design takes a floor of ${say(f.hottestC, 'temperature')}; ${`this floor may reach ${say(f.limitC, 'temperature')} (EN 1264, covering).`}`,
    remedy: f.inScreed
      ? 'Lower the cut-out.'
      : 'Lower the target, insulate, or give what heat is missing by other means.',
  }),
  C020_SETPOINT_OUTSIDE_LIMITS: (
    f: { readonly setpointC: number; readonly over: boolean; readonly limitC: number },
    { say }: Words,
  ): Sentences => ({
    head: 'Setpoint lies outside its limits.',
    reason: `${say(f.setpointC, 'temperature')} is ${f.over ? 'over the highest' : 'under the lowest'} the keys allow, ${say(f.limitC, 'temperature')}.`,
    remedy: f.over ? 'Lower the setpoint or raise the limit.' : 'Raise the setpoint or lower the limit.',
  }),
  C021_SWING_WIDER_THAN_LIMITS: (
    f: { readonly swingK: number; readonly betweenK: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `${capital(term('differential'))} is wider than the limits.`,
    reason: `${say(f.swingK, 'difference')} of ${term('differential')} in ${say(f.betweenK, 'difference')} between lowest and highest.`,
    remedy: `Narrow the ${term('differential')} or open the limits.`,
  }),
  C022_ALARM_INSIDE_BAND: (
    f: {
      readonly highC: number | undefined
      readonly topC: number
      readonly lowC: number | undefined
      readonly bottomC: number
    },
    { say }: Words,
  ): Sentences => ({
    head: 'Alarm inside the working band.',
    reason:
      f.highC !== undefined
        ? `Alarm at ${say(f.highC, 'temperature')}, the output works up to ${say(f.topC, 'temperature')}.`
        : `Low alarm at ${say(f.lowC!, 'temperature')}, the output works down to ${say(f.bottomC, 'temperature')}.`,
    remedy: f.highC !== undefined ? 'Move the alarm over where it works.' : 'Move the low alarm under where it works.',
  }),
  C023_SWING_UNDER_RESOLUTION: (
    f: { readonly swingK: number; readonly stepK: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `${capital(term('differential'))} is narrower than the display resolves.`,
    reason: `${say(f.swingK, 'difference', 2)} of ${term('differential')}, display step ${say(f.stepK, 'difference', 2)}.`,
    remedy: 'Widen it.',
  }),
  C027_CONVENTION_NOT_ON_CONTROLLER: (
    f: {
      readonly name: string
      readonly planned: Convention
      readonly offered: Convention
      readonly setpointC: number
      readonly swingK: number
    },
    { say, term }: Words,
  ): Sentences => ({
    head: `On ${f.name} no set ${conventionSays(f.planned, term('differential'))}.`,
    reason: `There it ${conventionSays(f.offered, term('differential'))}; the same points are set ${say(f.setpointC, 'temperature')}, ${term('differential')} ${say(f.swingK, 'difference')}.`,
    remedy: `Choose \u201c${conventionSays(f.offered, term('differential'))}\u201d; the points stay.`,
  }),
  C040_OFFSET_LARGE: (f: { readonly offsetK: number; readonly mostK: number }, { say }: Words): Sentences => ({
    head: 'Offset is large.',
    reason: `${say(f.offsetK, 'difference')}; over ${say(f.mostK, 'difference')} look for the cause.`,
    remedy: 'Check kind, lead and place of the probe.',
  }),
  C041_HEATS_ON_PROBE_FAULT: (f: { readonly guarded: boolean }, { term }: Words): Sentences => ({
    head: 'A broken probe leaves the heat on.',
    reason: f.guarded
      ? `Only the ${term('limiter')} then holds it, and its trip is not proved.`
      : 'Nothing but this probe holds it.',
    remedy: f.guarded
      ? `Choose off on probe fault, or prove the ${term('limiter')} first.`
      : 'Choose off on probe fault.',
  }),
  C060_NEVER_REACHES: (
    f: {
      readonly offC: number
      readonly powerW: number
      readonly heats: boolean
      readonly reachesC: number
      /** What holding that takes. */
      readonly needsW: number
      readonly floor: boolean
    },
    { say }: Words,
  ): Sentences => ({
    head: `Does not reach ${say(f.offC, 'temperature')} at design.`,
    // Far beyond, nothing settles: what is lacking says more than where it would end.
    reason:
      Math.abs(f.reachesC - f.offC) <= FAR_K
        ? `${say(f.powerW, 'power')} ${f.heats ? 'in' : 'out'} settles at ${say(f.reachesC, 'temperature')} on the design day.`
        : `${say(f.powerW, 'power')} ${f.heats ? 'in' : 'out'}; the design day asks for ${say(f.needsW, 'power')}.`,
    remedy: f.floor
      ? 'Warmer water, closer pipes, better insulation, or a lower set.'
      : `More power, better insulation, or a ${f.heats ? 'lower' : 'higher'} set.`,
  }),

  C050_TEST_FAILED: (
    f: {
      readonly title: string
      readonly about: string
      /** What came of the test, and the likeliest cause where one is named. */
      readonly found: { readonly code: VerdictCode; readonly figures: object }
      readonly cause: { readonly code: CauseCode; readonly figures: object } | undefined
    },
    words: Words,
  ): Sentences => {
    const { head, reason, next } = sayVerdict(f.found.code, f.found.figures as never, words)
    const check = f.cause && sayCause(f.cause.code, f.cause.figures as never, words).check
    return {
      head: `${f.title}, ${f.about}: ${head[0]!.toLowerCase()}${head.slice(1)}.`,
      reason,
      remedy: next ?? check ?? '',
    }
  },
}
