import { describe, expect, it } from '@jest/globals'
import { chained, idOf, rewhole, swapped, told } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import { checkLoop } from '../../check/checkLoop'
import type { Edited } from '../../wiring/edited'
import { wireList } from '../../wiring/wireList'
import { loopContext } from '../../loop/context'
import { plannedValues } from '../plannedValues'
import { outputScale } from '../band/bandView'
import { plansOf } from '../behaviour'
import { loopScenario } from '../../simulate/loop/loopScenario'
import { simulate } from '../../simulate/simulate'

const parts = {
  europe: ['mains-230-16-30ma', 'gannet', 'air-ntc10k', 'linnet', 'fan-motor-075', 'bunting'],
  us: ['mains-240-20', 'bittern', 'air-ntc10k-3977', 'linnet', 'fan-motor-drive-240', 'bunting'],
} as const
const drives = { europe: 'gannet', us: 'bittern' } as const

/** A motor on a drive that feeds its own controller, started by a thermostat beside it. */
const made = (practice: 'europe' | 'us' = 'europe'): Edited => {
  const edited = chained(
    'fan',
    { motor: 'drive', occupants: 'nobody', target: 24, heat: 4000, humiditySet: undefined },
    [...parts[practice]],
  )
  return { ...edited, job: { ...edited.job, practice } }
}
const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

describe.each(['europe', 'us'] as const)('a drive with 24 V of its own, in %s', (practice) => {
  const edited = made(practice)
  const context = contextOf(edited)
  const { chain } = context
  const [drive, controller, thermostat] = [drives[practice], 'linnet', 'bunting'].map((profile) =>
    chain.devices.find(({ id }) => id === idOf(edited, profile))!,
  ) as [(typeof chain.devices)[number], (typeof chain.devices)[number], (typeof chain.devices)[number]]

  it('feeds the controller, takes its speed from it and its start from the thermostat', () => {
    const into = (device: string, port: string) =>
      chain.connections.find(({ to }) => to.device === device && to.port === port)?.fromDevice.id
    expect(into(controller.id, 'supply')).toBe(drive.id)
    expect(into(drive.id, 'signal')).toBe(controller.id)
    expect(into(drive.id, 'run')).toBe(thermostat.id)
  })
  it('has its bridge between the commons in the list, and no second wire back', () => {
    const { rows } = wireList(chain, practice)
    const common = practice === 'us' ? ['C24', 'SPC'] : ['0V', 'SGN']
    const bridges = rows.filter(({ from, to }) => from.device === drive.id && to.device === drive.id)
    expect(bridges.map(({ from, to }) => [from.label, to.label])).toEqual([common])
    expect(bridges[0]!.hint).toContain('floats')
    const signal = rows.filter(
      ({ from, to, role }) => role === 'signal' && from.device === controller.id && to.device === drive.id,
    )
    expect(signal.map(({ from }) => from.label)).toEqual(['Y'])
  })
  it('lays both wires and no bridge where the controller is fed from elsewhere', () => {
    const supply = practice === 'us' ? 'supply-24dc-120' : 'supply-24dc'
    const feed = chain.connections.find(({ to }) => to.device === controller.id && to.port === 'supply')!
    const { connections } = edited.loop.chain
    const fed = chained('fan', {}, [supply])
    const other = Object.entries(fed.job.devices).find(([, { profile }]) => profile === supply)!
    const moved = {
      job: {
        ...edited.job,
        profiles: { ...edited.job.profiles, ...fed.job.profiles },
        devices: { ...edited.job.devices, [other[0]]: other[1] },
      },
      loop: {
        ...edited.loop,
        chain: {
          ...edited.loop.chain,
          connections: {
            ...connections,
            [feed.id]: { ...connections[feed.id]!, from: { device: other[0], port: 'out' } },
          },
        },
      },
    }
    const { rows } = wireList(contextOf(moved).chain, practice)
    expect(rows.filter(({ from, to }) => from.device === drive.id && to.device === drive.id)).toEqual([])
    expect(
      rows.filter(({ from, to, role }) => role === 'signal' && from.device === controller.id && to.device === drive.id),
    ).toHaveLength(2)
  })
  it('is keyed by the plate of its motor', () => {
    const told = [...plannedValues(context, drive)].filter(([code]) =>
      practice === 'us'
        ? ['slow', 'fast', 'amps', 'turn'].includes(code)
        : ['base', 'peak', 'plate', 'way'].includes(code),
    )
    expect(told.map(([, value]) => value)).toEqual(
      practice === 'us' ? [20, 60, 3.1, 'clockwise'] : [20, 50, 3.2, 'clockwise'],
    )
    const signal = plansOf(context.loop.settings.planned).find(({ output }) => output.device === controller.id)!
    const scale = outputScale(context, signal)
    // 20 Hz + half of the way to the plate's.
    expect([0, 50, 100].map(scale.at)).toEqual(practice === 'us' ? [20, 40, 60] : [20, 35, 50])
  })
  it('stops nobody: nothing but notes is found', () => {
    const codes = checkLoop(context).open.filter(({ severity }) => severity === 'stop')
    expect(codes.map(({ code, head }) => `${code} ${head}`)).toEqual([])
  })
  it('runs in a day only while the thermostat lets it, and then by degrees', () => {
    const hourlyC = Array.from({ length: 24 }, (_, h) => 18 + 6 * Math.sin(((h - 9) / 24) * 2 * Math.PI))
    const run = loopScenario(context, context.survey!, { hourlyC, days: 2 })
    const { trace } = simulate(run.scenario)
    const speed = run.outputs.find(({ plan }) => plan.output.device === controller.id)!
    const start = run.outputs.find(({ plan }) => plan.output.device === thermostat.id)!
    const [driven, let_] = [trace.drives[speed.actuator]!, trace.drives[start.actuator]!]
    expect(driven.length).toBe(let_.length)
    for (let i = 2; i < driven.length; i++) if (let_[i] === 0 && let_[i - 1] === 0) expect(driven[i]).toBe(0)
    const running = [...driven].filter((share) => share > 0)
    expect(running.length).toBeGreaterThan(10)
    expect(Math.min(...running)).toBeLessThan(0.9)
    expect([...let_].some((share) => share === 1)).toBe(true)
    expect([...let_].some((share) => share === 0)).toBe(true)
  })
})

describe('a motor whose plate and drive disagree', () => {
  const found = (edited: Edited) =>
    checkLoop(contextOf(edited)).open.filter(({ code }) => code === 'C159_DRIVE_OFF_PLATE')
  it('is a stop for its current, a look for its speeds, each with what the plate says', () => {
    const edited = rewhole(made(), 'gannet', () => ({ values: { plate: 6, peak: 60, base: 5 } }))
    expect(found(edited).map(({ severity, reason }) => [severity, reason.split(' planned')[0]])).toEqual([
      ['stop', expect.stringContaining('6.0')],
      ['look-again', expect.stringContaining('60')],
      ['look-again', expect.stringContaining('5')],
    ])
    const cleared = rewhole(edited, 'gannet', () => ({ values: { plate: 3.2, peak: 50, base: 20 } }))
    expect(found(cleared)).toEqual([])
  })
  it('goes by the plate of the very motor, and too much for the drive does not fit', () => {
    const large = told(made(), 'fan-motor-075', {
      nameplate: { amps: 6.4, ratedHz: 60, leastHz: 30, turns: 'against' },
    })
    const context = contextOf(large)
    const drive = context.chain.devices.find(({ id }) => id === idOf(large, 'gannet'))!
    expect([...plannedValues(context, drive)].map(([, value]) => value)).toEqual(
      expect.arrayContaining([30, 60, 6.4, 'against']),
    )
    expect(checkLoop(context).open.find(({ code }) => code === 'C010_DOES_NOT_FIT')?.reason).toMatch(/6\.4/)
  })
  it('does not fit with other volts, until its plate says that it bears these', () => {
    const other = swapped(made(), 'fan-motor-075', 'fan-motor-400')
    const judged = (edited: Edited) =>
      checkLoop(contextOf(edited)).open.find(({ code }) => code === 'C010_DOES_NOT_FIT')
    expect(judged(other)?.reason).toMatch(/230.V between its phases.*400.V/)
    expect(judged(told(other, 'fan-motor-400', { nameplate: { volts: 230, amps: 3.3 } }))).toBeUndefined()
  })
})
