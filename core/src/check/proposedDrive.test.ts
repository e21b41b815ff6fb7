import { describe, expect, it } from '@jest/globals'
import { startChain } from '../actions/startChain'
import { loopContext } from '../loop/context'
import { winterDay } from '../plant/winterDay'
import { loopFaults, withFaults } from '../simulate/loop/loopFaults'
import { loopScenario } from '../simulate/loop/loopScenario'
import { simulate } from '../simulate/simulate'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { surveyed } from '../testing/loops'
import { practices } from '../testing/usChains'
import { checkLoop } from './checkLoop'

const proposed = (practice: (typeof practices)[number]) => {
  const { job, loop } = surveyed('fan', {
    motor: 'drive',
    occupants: 'nobody',
    mainsAtHand: practice === 'us' ? '240' : '230',
  })
  const made = startChain.run({ job: { ...job, practice }, loop }, {}, hand)
  return loopContext(made.job, made.loop, fieldData)
}

describe('a motor on a drive is proposed where that was answered', () => {
  it.each(practices)(
    'with its 24 V, its run terminals closed by a switch of its own and nothing that stops, in %s',
    (practice) => {
      const context = proposed(practice)
      const { chain } = context
      const drive = chain.devices.find(({ facts }) => facts.category === 'drive')!
      const into = (port: string) => chain.connections.find(({ to }) => to.device === drive.id && to.port === port)
      for (const port of ['supply', 'control', 'signal', 'run'])
        expect([port, into(port)?.fromDevice.tag]).toEqual([port, expect.any(String)])
      expect(into('run')!.fromDevice.facts.permissive!.senses).toBe('hand')
      const codes = checkLoop(context).open.map(({ code, severity }) => `${severity} ${code}`)
      expect(codes.filter((each) => !each.startsWith('note'))).toEqual([])
    },
  )
  it('stands still in a run while its run switch is open, and the switch is named', () => {
    const context = proposed('europe')
    const run = loopScenario(context, context.survey!, { hourlyC: winterDay(24), days: 1 })
    const offers = loopFaults(run, context.chain, fieldData, 14)
    const opened = context.chain.devices.find(({ facts }) => facts.permissive?.senses === 'hand')!.tag
    expect(offers.find(({ id }) => id === `open ${opened}`)!.title).toBe(`${opened} opened by hand`)
    const { trace, events } = simulate(withFaults(run.scenario, offers, [{ id: `open ${opened}`, atH: 6, untilH: 9 }]))
    const drives = trace.drives[run.outputs[0]!.actuator]!
    expect(drives[5 * 60]).toBeGreaterThan(0)
    expect([...drives.subarray(6 * 60 + 1, 9 * 60)].every((share) => share === 0)).toBe(true)
    expect(drives[10 * 60]).toBeGreaterThan(0)
    expect(events.find(({ what }) => what === 'held')).toMatchObject({ atS: 6 * 3600, why: opened })
  })
})
