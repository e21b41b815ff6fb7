import { TOUCH_V } from '../units/peopleLimits'
import type { LoopContext } from '../loop/context'
import { fieldValue } from '../plant/fieldValue'
import { wantsGroundFault } from '../survey/atRisk'
import { type DeadTestVerdict } from '../wiring/deadTest'
import { ohmWords } from '../words/ohmWords'
import { mainsCircuits, voltsToEarth } from '../wiring/groundFault'
import { sourcesToIsolate } from './isolateSteps'
import type { SafetyStep } from './safetyStep'
import { LICENSED, type StepMaker } from './stepMaker'

/** Group of the tests of what switches off when something fails. */
export const PROTECTION = 'Protection'

/** Tests of what switches off when something fails: the residual-current device, and the loop that the breaker needs. By a licensed person. */
export function protectionSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const { chain, data, job, words } = context
  const relied = wantsGroundFault(context)
  const feeding = new Set(sourcesToIsolate(context).map(({ device }) => device))
  return mainsCircuits(chain)
    .filter(({ device }) => feeding.has(device.id))
    .flatMap(({ device, out }): SafetyStep[] => {
      const share = fieldValue(data, 'loop.share').typical
      const times = fieldValue(data, 'loop.trips').typical
      const mostOhm = out.earth === undefined ? undefined : (share * voltsToEarth(out)) / (times * out.protectionA)
      const time = (id: string, row: string, title: string, how: string) => {
        const { high, source } = fieldValue(data, row)
        return make.read(
          {
            id: `${id}:${device.id}`,
            group: PROTECTION,
            title: `${title} of ${device.tag}`,
            doing: `Licensed person, with a tester for it, at a point that ${device.tag} feeds: ${how}. Both half waves, enter the longer. What it feeds goes off meanwhile.`,
            should: `Trips within ${words.say(high, 'milliseconds', 0)} (${source}).`,
            ask: { kind: 'number', quantity: 'milliseconds', low: 0, high: 100_000 },
            must: relied,
            caution: LICENSED,
          },
          (reading) => tripVerdict(reading, high),
        )
      }
      const gfci = fieldValue(data, 'gfci.trip')
      return [
        ...(out.classA
          ? [
              make.read(
                {
                  id: `gfci:${device.id}`,
                  group: PROTECTION,
                  title: `Class A ground-fault protection of ${device.tag}`,
                  doing: `Licensed person, with a tester for it, at a point that ${device.tag} feeds: raise the current to ground until it trips. Its own button too; reset it afterwards.`,
                  should: `Trips at ${gfci.low} to ${gfci.high} mA (${gfci.source}).`,
                  ask: { kind: 'number', quantity: 'milliamps', low: 0, high: 1000 },
                  must: relied,
                  caution: LICENSED,
                },
                (reading): DeadTestVerdict =>
                  reading !== null && reading >= gfci.low && reading <= gfci.high
                    ? {
                        verdict: 'good',
                        code: 'ground-fault.trips',
                        figures: { reading },
                        forbidsEnergising: false,
                      }
                    : reading !== null && reading < gfci.low
                      ? {
                          verdict: 'look-again',
                          code: 'ground-fault.trips-early',
                          figures: { reading },
                          forbidsEnergising: false,
                        }
                      : {
                          verdict: 'stop',
                          code: 'ground-fault.too-late',
                          figures: { reading, high: gfci.high },
                          forbidsEnergising: true,
                        },
              ),
            ]
          : out.residualMa !== undefined
            ? [
                time('rcd', 'rcd.rated', 'Residual-current device', `${out.residualMa} mA`),
                time('rcd-five', 'rcd.five', 'Residual-current device, five times,', `${5 * out.residualMa} mA`),
              ]
            : []),
        ...(mostOhm === undefined
          ? []
          : [
              make.read(
                {
                  id: `loop:${device.id}`,
                  group: PROTECTION,
                  title: `Earth-fault loop of ${device.tag}`,
                  doing: `Licensed person: loop impedance at the farthest point that ${device.tag} feeds, line to earth${out.residualMa !== undefined || out.classA ? ', with a test that does not trip its device' : ''}${job.practice === 'us' ? '; or the local test of the ground-fault current path' : ''}.`,
                  should: `At most ${ohmWords(mostOhm)}: ${Math.round(100 * share)} % of ${words.say(voltsToEarth(out), 'voltage', 0)} over ${times} \u00d7 ${words.say(out.protectionA, 'current', 0)} (IEC 60364-6). The breaker\u2019s own curve and local code decide.`,
                  ask: { kind: 'number', quantity: 'resistance', low: 0, high: 1e6 },
                  must: false,
                  caution: LICENSED,
                },
                (reading) => loopVerdict(reading, mostOhm, out.residualMa),
              ),
            ]),
      ]
    })
}

/**
 * Verdict on an earth-fault loop: low enough for the breaker; or high, and only a residual-current device switches the fault off, where local
 * code takes that (50 V over its rated current); or too high for either.
 */
function loopVerdict(reading: number | null, mostOhm: number, residualMa: number | undefined): DeadTestVerdict {
  if (reading !== null && reading <= mostOhm)
    return {
      verdict: 'good',
      code: 'fault-loop.good',
      figures: { reading },
      forbidsEnergising: false,
    }
  const byDevice = residualMa === undefined ? 0 : (TOUCH_V * 1000) / residualMa
  return reading !== null && reading <= byDevice
    ? {
        verdict: 'look-again',
        code: 'fault-loop.by-residual',
        figures: { reading, mostOhm },
        forbidsEnergising: false,
      }
    : {
        verdict: 'stop',
        code: 'fault-loop.too-high',
        figures: { reading, mostOhm },
        forbidsEnergising: true,
      }
}

function tripVerdict(reading: number | null, mostMs: number): DeadTestVerdict {
  return reading !== null && reading <= mostMs
    ? {
        verdict: 'good',
        code: 'trip.in-time',
        figures: { reading },
        forbidsEnergising: false,
      }
    : {
        verdict: 'stop',
        code: 'trip.too-late',
        figures: { reading, mostMs },
        forbidsEnergising: true,
      }
}
