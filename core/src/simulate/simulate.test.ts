import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { onOffCycle } from '../control/onOffCycle'
import { loopContext } from '../loop/context'
import { winterDay } from '../plant/winterDay'
import { fieldData } from '../testing/fieldData'
import { plannedFloor } from '../testing/warmFloor'
import { loopScenario } from './loop/loopScenario'
import type { OnOffControl, Scenario } from './scenario'
import { simulate, SimulationCancelled } from './simulate'

/** The control of the plant below. */
const onOff: OnOffControl = {
  ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'heater', action: 'heating', probeFault: 'off' },
  ...{ onC: 19.5, offC: 20.5 },
}

/** First-order plant with a probe that is as good as without lag. */
const firstOrder = (changes: Partial<Scenario> = {}): Scenario => ({
  durationS: 86400,
  traceS: 60,
  network: {
    nodes: [{ id: 'room', capacityJPerK: 1.8e6, startC: 20 }],
    links: [{ from: 'room', to: 'outdoor', wPerK: 50 }],
    boundaries: { outdoor: { constantC: 0 } },
  },
  probes: [{ id: 'p', node: 'room', lagS: 0.05 }],
  actuators: [{ id: 'heater', node: 'room', powerW: 2600 }],
  controls: [onOff],
  ...changes,
})

/** Reference for tests only: plain Euler steps of a fifth of a second, relay looked at each step. */
function reference(hours: number): { energyKwh: number; starts: number; roomC: number } {
  let [room, on, energy, starts] = [20, false, 0, 0]
  const dt = 0.2
  for (let i = 0; i < (hours * 3600) / dt; i++) {
    const now = on ? room < 20.5 : room <= 19.5
    if (now && !on) starts++
    on = now
    room += (((on ? 2600 : 0) - 50 * room) / 1.8e6) * dt
    if (on) energy += 2600 * dt
  }
  return { energyKwh: energy / 3.6e6, starts, roomC: room }
}

describe('simulate', () => {
  it('cycles as the closed form says, within 0.1 %', () => {
    const { events } = simulate(firstOrder())
    const ons = events.filter(({ what }) => what === 'on').map(({ atS }) => atS)
    const closed = onOffCycle({
      powerW: 2600,
      lossWPerK: 50,
      capacityJPerK: 1.8e6,
      outdoorC: 0,
      lowC: 19.5,
      highC: 20.5,
      action: 'heating',
    })
    expect(ons.length).toBeGreaterThan(15)
    for (let i = 2; i < ons.length; i++)
      expect(Math.abs((ons[i]! - ons[i - 1]!) / closed.periodS! - 1)).toBeLessThan(1e-3)
  })
  it('agrees with tiny steps', () => {
    const { summary, trace } = simulate(firstOrder())
    const tiny = reference(24)
    expect(summary.starts['heater']).toBe(tiny.starts)
    expect(Math.abs(summary.energyKwh['heater']! / tiny.energyKwh - 1)).toBeLessThan(1e-3)
    expect(trace.nodes['room']!.at(-1)).toBeCloseTo(tiny.roomC, 1)
  })
  it('closes the energy balance to 1e-6', () => {
    const { summary, trace } = simulate(
      firstOrder({ controls: [], network: { ...firstOrder().network, gains: [{ node: 'room', constantW: 800 }] } }),
    )
    // Without a relay the mean is exact: in = stored + lost; the loss from the closed form.
    const end = 16 + 4 * Math.exp(-86400 / 36000)
    expect(Math.abs(trace.nodes['room']!.at(-1)! / end - 1)).toBeLessThan(1e-6)
    expect(summary.starts['heater']).toBe(0)
    const heated = simulate(firstOrder())
    const stored = (1.8e6 * (heated.trace.nodes['room']!.at(-1)! - 20)) / 3.6e6
    const lost = simulate(lossMeter(heated.events)).summary.energyKwh['meter']!
    expect(Math.abs((heated.summary.energyKwh['heater']! - stored - lost) / lost)).toBeLessThan(1e-6)
  })
  it('takes heat out with what a cooling control drives, its power counting positive', () => {
    const cooled = simulate(
      firstOrder({
        network: {
          nodes: [{ id: 'room', capacityJPerK: 1.8e6, startC: 5 }],
          links: [{ from: 'room', to: 'outdoor', wPerK: 50 }],
          boundaries: { outdoor: { constantC: 25 } },
        },
        controls: [{ ...onOff, action: 'cooling', onC: 4.5, offC: 3.5 }],
      }),
    )
    const closed = onOffCycle({
      powerW: 2600,
      lossWPerK: 50,
      capacityJPerK: 1.8e6,
      outdoorC: 25,
      lowC: 3.5,
      highC: 4.5,
      action: 'cooling',
    })
    expect(cooled.summary.minimumC['room']).toBeCloseTo(3.5, 1)
    expect(cooled.summary.energyKwh['heater']! / (cooled.summary.onS['heater']! / 3600)).toBeCloseTo(2.6, 6)
    const ons = cooled.events.filter(({ what }) => what === 'on').map(({ atS }) => atS)
    expect(Math.abs((ons[3]! - ons[2]!) / closed.periodS! - 1)).toBeLessThan(1e-3)
  })
  it('keeps the minimum off time', () => {
    const { events } = simulate(firstOrder({ controls: [{ ...onOff, minimumOffS: 3600 }] }))
    const offs = events.filter(({ what }) => what === 'off').map(({ atS }) => atS)
    const ons = events.filter(({ what }) => what === 'on').map(({ atS }) => atS)
    for (const off of offs) {
      const next = ons.find((on) => on > off)
      if (next !== undefined) expect(next - off).toBeGreaterThanOrEqual(3600 - 0.02)
    }
    expect(offs.length).toBeGreaterThan(5)
  })
  it('does what was planned when the probe breaks', () => {
    const fault = [{ atS: 7200, probe: 'p', kind: 'open' }] as const
    const off = simulate(firstOrder({ faults: fault }))
    expect(off.events).toContainEqual({ atS: 7200, what: 'fault', of: 'p', why: 'open' })
    expect(off.trace.drives['heater']!.slice(121).every((v) => v === 0)).toBe(true)
    const on = simulate(firstOrder({ faults: fault, controls: [{ ...onOff, probeFault: 'on' }] }))
    expect(on.trace.drives['heater']!.slice(121).every((v) => v === 1)).toBe(true)
  })
  it('a latched limit stays tripped, a plain one lets go', () => {
    const guarded = (latched: boolean) =>
      firstOrder({
        probes: [...firstOrder().probes, { id: 'protection', node: 'room', lagS: 1 }],
        inputs: { F1: { probe: 'protection', belowC: 20.2, differentialK: 0.5, latched } },
        permissives: [{ drives: 'heater', expression: 'F1' }],
      })
    expect(simulate(guarded(true)).summary.starts['heater']).toBe(1)
    expect(simulate(guarded(false)).summary.starts['heater']).toBeGreaterThan(3)
  })
  it('follows an hourly boundary in straight lines', () => {
    const { trace } = simulate(
      firstOrder({
        network: {
          nodes: [{ id: 'room', capacityJPerK: 1, startC: 0 }],
          links: [{ from: 'room', to: 'outdoor', wPerK: 100 }],
          boundaries: { outdoor: { hourlyC: [0, 10, 0] } },
        },
        controls: [],
        durationS: 7200,
      }),
    )
    expect(trace.nodes['room']![30]).toBeCloseTo(5, 3)
    expect(trace.nodes['room']![60]).toBeCloseTo(10, 3)
  })
  it('stops when it is asked to, and tells progress', () => {
    const told: number[] = []
    const signal = { aborted: false }
    const onProgress = (share: number) => {
      told.push(share)
      signal.aborted = told.length > 5
    }
    expect(() => simulate(firstOrder(), { signal, onProgress })).toThrow(SimulationCancelled)
    expect(told.length).toBe(6)
    const whole: number[] = []
    simulate(firstOrder(), { onProgress: (share) => whole.push(share) })
    expect(whole.at(-1)).toBe(1)
    expect(whole.length).toBeGreaterThan(20)
  })
  it.each([
    [{ traceS: 7 }, 'traceS 7 must go into an hour'],
    [{ traceS: -1 }, 'traceS -1'],
    [{ durationS: 399 * 86400, traceS: 1 }, 'would write'],
    [{ durationS: 730 * 86400, traceS: 1 }, 'run a longer time in parts'],
    [{ durationS: 1e9 }, 'durationS'],
    [{ controls: [{ ...onOff, probe: 'gone' }] }, 'probe gone is not in the scenario'],
    [
      { permissives: [{ drives: 'heater', expression: 'x' }], inputs: { y: { probe: 'gone', belowC: 1 } } },
      'probe gone',
    ],
    [{ actuators: [{ id: 'heater', node: 'room', powerW: -1 }] }, 'actuators[0].powerW is -1'],
    [{ actuators: [{ id: 'heater', node: 'attic', powerW: 1 }] }, 'node attic is not in the scenario; it has room'],
    [
      { network: { ...firstOrder().network, nodes: [{ id: 'room', capacityJPerK: 0, startC: 0 }] } },
      'capacityJPerK 0 of node room',
    ],
  ] as [Partial<Scenario>, string][])('refuses %#', (changes, message) =>
    expect(() => simulate(firstOrder(changes))).toThrow(message),
  )
})

describe('what cannot be run is refused by its place, with what is allowed', () => {
  const control = onOff
  const { network } = firstOrder()
  const band = {
    ...{ id: 'b', kind: 'proportional', probe: 'p', drives: 'heater', action: 'heating', probeFault: 'off' },
  }
  it.each([
    [null, 'scenario must be an object'],
    [{}, 'scenario.durationS is missing'],
    [{ ...firstOrder(), seed: 1 }, 'scenario.seed is not known'],
    [firstOrder({ controls: [{ ...control, kind: 'fuzzy' }] as never }), 'controls[0].kind is "fuzzy"'],
    [
      firstOrder({ controls: [{ ...control, onC: 21 }] as never }),
      'controls[0].onC 21 must be under offC 20.5 for heating',
    ],
    [
      firstOrder({ controls: [{ ...control, onC: '19' }] as never }),
      'controls[0].onC is "19": it must be a finite number',
    ],
    [
      firstOrder({ controls: [{ ...band, zeroC: 20, fullC: 22 }] as never }),
      'controls[0].fullC 22 must be under zeroC 20',
    ],
    [
      firstOrder({ controls: [{ ...band, zeroC: 22, fullC: 20, leastShare: 2 }] as never }),
      'leastShare is 2: it must lie between 0 and 1',
    ],
    [firstOrder({ inputs: { flow: { hours: [[6, 30]] } } }), 'inputs.flow.hours[0] must be two hours of the day'],
    [firstOrder({ inputs: { limit: { probe: 'p' } } }), 'must hold either belowC or aboveC'],
    [firstOrder({ faults: [{ atS: 1, probe: 'p', kind: 'tired' }] as never }), 'faults[0].kind is "tired"'],
    [
      firstOrder({ faults: [{ atS: 10, untilS: 5, probe: 'p', kind: 'open' }] }),
      'faults[0].untilS 5 must be after atS 10',
    ],
    [
      firstOrder({ faults: [{ atS: 1, kind: 'dead', actuator: 'pump' }] }),
      'actuator pump is not in the scenario; it has heater',
    ],
    [firstOrder({ network: { ...network, boundaries: { outdoor: { hourlyC: [] } } } }), 'one at least'],
    [
      firstOrder({ network: { ...network, boundaries: { outdoor: { hourlyC: [1, null] } } } as never }),
      'must be finite numbers',
    ],
    [firstOrder({ network: { ...network, links: {} as never } }), 'network.links is {}: it must be a list'],
    [
      firstOrder({ network: { ...network, links: [{ from: 'room', to: 'attic', wPerK: 5 }] } }),
      'node or boundary attic is not in the scenario; it has room, outdoor',
    ],
    [
      firstOrder({
        network: { ...network, nodes: [...network.nodes, { id: 'attic', capacityJPerK: 1e5, startC: 5 }] },
      }),
      'node attic hangs on nothing: join it by a link',
    ],
    [firstOrder({ durationS: Number.NaN }), 'scenario.durationS is NaN: it must be a finite number'],
    [
      firstOrder({
        stepS: 60,
        controls: [{ ...band, zeroC: 21, fullC: 19 }] as never,
        probes: [{ id: 'p', node: 'room', lagS: 40 }],
      }),
      'stepS 60 is more than half of the fastest time constant, 40 s of probe p: choose 10 or less',
    ],
    [firstOrder({ controls: [{ ...band, zeroC: 21, fullC: 19 }] as never }), 'give it more capacity or lag'],
    [
      firstOrder({
        stepS: 7,
        controls: [{ ...band, zeroC: 21, fullC: 19 }] as never,
        probes: [{ id: 'p', node: 'room', lagS: 400 }],
      }),
      'stepS 7 must go into traceS 60',
    ],
    [firstOrder({ start: 'Monday' }), 'start "Monday" must be written like'],
    [firstOrder({ controls: [control, control] as never }), 'control c is there twice'],
    [firstOrder({ controls: [{ ...control, follows: 'line' }] as never }), 'follows line is no control of kind reset'],
    [
      firstOrder({ permissives: [{ drives: 'heater', expression: { xor: [] } }] as never }),
      'must be a name, or hold and, or, not',
    ],
  ] as [unknown, string][])('%#', (scenario, message) => expect(() => simulate(scenario as Scenario)).toThrow(message))
  it('takes whatever is thrown at it without any other error', () =>
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(() => simulate(value as never)).toThrow(RangeError)
      }),
    ))
})

/** The same run with the loss drawn off by an always-running link, to measure it from outside. */
function lossMeter(events: readonly { atS: number; what: string }[]): Scenario {
  const base = firstOrder()
  void events
  return {
    ...base,
    network: { ...base.network, links: [{ from: 'room', to: 'outdoor', wPerK: 50, while: 'meter' }] },
    actuators: [...base.actuators, { id: 'meter' }],
    controls: [
      ...base.controls,
      {
        id: 'always',
        kind: 'on-off',
        probe: 'p',
        drives: 'meter',
        action: 'heating',
        onC: 1000,
        offC: 1001,
        probeFault: 'off',
      },
    ],
  }
}

describe('loopScenario', () => {
  const day = { hourlyC: winterDay(-10), days: 1 }
  const run = (devices?: readonly string[]) => {
    const edited = plannedFloor(devices)
    const context = loopContext(edited.job, edited.loop, fieldData)
    return simulate(loopScenario(context, context.survey!, day).scenario)
  }
  it('holds the screed in its band, within what the lag lets through', () => {
    const { summary } = run()
    expect(summary.maximumC['slab']).toBeLessThan(28.6)
    expect(summary.minimumC['slab']).toBeGreaterThan(26.2)
    expect(summary.starts['device-3']).toBeGreaterThan(1)
  })
  it('runs an electric floor through its contactor and limiter', () => {
    const { summary } = run([
      'probes/floor-ntc10k',
      'controllers/dipper',
      'loads/floor-mat-900',
      'limiters/fieldfare',
      'supplies/mains-230-20',
    ])
    expect(summary.energyKwh['device-3']).toBeGreaterThan(10)
  })
})
