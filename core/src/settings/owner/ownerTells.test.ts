import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '../../kinds/kinds'
import { loopContext } from '../../loop/context'
import { checkLoop } from '../../check/checkLoop'
import { controllerPlanOf, withControllerPlan } from '../../survey/controllerPlanOf'
import { plansOf } from '../behaviour'
import { resetView } from '../reset/resetView'
import { chained } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import type { Edited } from '../../wiring/edited'
import { ownerTells } from './ownerTells'
import { ownerView } from './ownerView'

const contextOf = ({ job, loop }: Edited, temperatureUnit: 'C' | 'F' = 'C') => {
  const own = { ...job, temperatureUnit }
  return loopContext(own, loop, fieldData)
}
const mainDevice = (context: ReturnType<typeof contextOf>) => {
  const [plan] = plansOf(context.loop.settings.planned)
  return context.chain.devices.find(({ id }) => id === plan!.output.device)!
}
const allOf = (told: ReturnType<typeof ownerTells>) => JSON.stringify(told)

describe.each(loopKinds)('what the owner of a sound loop is told: %s', (kind) => {
  const context = contextOf(chained(kind))
  const told = ownerTells(context)
  it('what it does, in whole sentences, and nothing of codes or holes', () => {
    expect(told.does.length).toBeGreaterThan(0)
    for (const said of told.does) expect(said).toMatch(/^[A-Z].*\.$/s)
    expect(allOf(told)).not.toMatch(/undefined|NaN|Infinity/)
  })
  it('he may turn only what his keys reach and what turns something', () => {
    const rows = context.chain.devices.flatMap((device) => ownerView(context, device)?.rows ?? [])
    for (const code of told.turns.flatMap(({ codes }) => codes)) {
      const row = rows.find((each) => each.code === code && each.may)!
      expect([code, row.level, row.idle]).toEqual([code, 'owner', false])
    }
  })
  it('an alarm, an empty battery, ice that melts and a time that is over stand as the display shows them', () => {
    for (const { facts } of context.chain.devices) {
      const { tells = {} } = facts.controller ?? {}
      const whole = facts.controller ? controllerPlanOf(context, mainDevice(context)) : {}
      if (tells.defrost && whole.defrost) expect(allOf(told)).toContain(`shows ${tells.defrost}`)
      if (tells.batteryLow && whole.battery) expect(allOf(told)).toContain(`shows ${tells.batteryLow}`)
      if (tells.timerOver && whole.timer?.mode === 'once' && whole.timer.aS > 0)
        expect(allOf(told)).toContain(`shows ${tells.timerOver}`)
    }
  })
  it('says the same in °F, with no °C left', () => {
    expect(allOf(ownerTells(contextOf(chained(kind), 'F')))).not.toContain('°C')
  })
})

describe('water that follows the weather', () => {
  const context = contextOf(chained('boiler'))
  const told = ownerTells(context)
  it('is told so, with three pairs on its very line, and no fixed set', () => {
    expect(told.does[0]).toMatch(/^The water follows the weather/)
    expect(told.line.length).toBe(3)
    const { plan } = resetView(context, mainDevice(context))!
    const { say } = context.words
    expect(told.line[0]).toEqual({
      outdoor: say(plan.designOutdoorC, 'temperature', 0),
      water: say(Math.min(plan.designSupplyC, plan.maximumSupplyC ?? Infinity), 'temperature', 0),
    })
    const waters = told.line.map(({ water }) => parseFloat(water))
    expect(waters).toEqual([...waters].sort((a, b) => b - a))
    const bindsOf = (code: string) => mainDevice(context).facts.controller!.parameters[code]!.binds
    const binds = told.turns.flatMap(({ codes }) => codes.map(bindsOf))
    expect(binds).not.toContain('setpoint')
    expect(binds).toContain('reset.shift')
    expect(told.how[0]).toMatch(/wait a day/)
  })
  it('shifted by its owner the pairs move with it', () => {
    const { job } = context
    const device = mainDevice(context)
    const { reset } = controllerPlanOf(context, device)
    const loop = withControllerPlan(context, device, { reset: { ...reset!, shiftK: 4, maximumSupplyC: 90 } })
    const moved = ownerTells(contextOf({ job, loop }))
    expect(parseFloat(moved.line[1]!.water)).toBe(parseFloat(told.line[1]!.water) + 4)
  })
})

describe('stages', () => {
  it('are one setpoint with what hangs on it', () => {
    const context = contextOf(chained('chiller'))
    const told = ownerTells(context)
    const plans = plansOf(context.loop.settings.planned)
    expect(told.stages.length).toBe(plans.length)
    expect(told.does[0]).toMatch(/^Cools in \d stages from one setpoint/)
    expect(told.turns[0]!.codes.length).toBe(plans.length)
    expect(told.turns[0]!.name).toMatch(/: all by as much$/)
    // From end to end of the keys is no range that anybody means.
    expect(told.turns[0]!.range).toBe('no range agreed')
  })
})

describe('the range that is meant', () => {
  const edited = chained('chiller')
  const context = contextOf(edited)
  const device = mainDevice(context)
  const [first] = ownerView(context, device)!.rows.filter(({ binds }) => binds === 'setpoint')
  const meant = Object.fromEntries(
    ownerView(context, device)!.rows.flatMap(({ code, binds }) =>
      binds === 'setpoint' ? [[code, { low: -3, high: -1 }]] : [],
    ),
  )
  const loop = withControllerPlan(context, device, { meant })
  it('is told in place of what the keys let through, and quiets the note that nothing holds his hand', () => {
    const after = contextOf({ job: edited.job, loop })
    const row = ownerTells(after).turns.find(({ codes }) => codes.includes(first!.code))!
    expect(row.range).toBe(`${first!.name} \u22123.0 to \u22121.0 °C`)
    const codes = (of: typeof context) => checkLoop(of).open.map(({ code }) => code)
    expect(codes(context)).toContain('C118_OWNER_UNLIMITED')
    expect(codes(after)).not.toContain('C118_OWNER_UNLIMITED')
  })
})

describe('what really happens is told', () => {
  it('a timer without a time ends nothing', () => {
    const told = allOf(ownerTells(contextOf(chained('cabinet'))))
    expect(told).toContain('it runs on until it is switched off')
    expect(told).not.toMatch(/timer ends it|time is over/)
  })
  it('a carbon monoxide alarm and an alarm with a supply of its own are heard, and somebody knows what to do', () => {
    expect(allOf(ownerTells(contextOf(chained('cabin'))))).toContain('everybody out into the open air')
    expect(allOf(ownerTells(contextOf(chained('fan'))))).toContain('open what can be opened')
    expect(allOf(ownerTells(contextOf(chained('room'))))).not.toMatch(/monoxide|open what can/)
  })
  it('a backup is told as its own', () => {
    const { does } = ownerTells(contextOf(chained('fan')))
    expect(does.filter((said) => said.startsWith('Lapwing, on its own: cools: on at'))).toHaveLength(1)
  })
  it('what heats too much is no open door', () => {
    const told = allOf(ownerTells(contextOf(chained('floor'))))
    expect(told).toContain('it heats more than it should')
    expect(told).not.toContain('door')
  })
})
