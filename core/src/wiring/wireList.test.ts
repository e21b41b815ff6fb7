import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { resolveChain } from '../document/chain'
import { type RowState } from '../document/documents'
import { loopKinds } from '../kinds/kinds'
import { chained, idOf } from '../testing/chains'
import { device } from '../testing/loops'
import { plannedFloor, profile } from '../testing/warmFloor'
import { addDevice, type Edited, insertDevice, joinPorts, bypass, removeDevice } from './chainEdit'
import { wireList } from './wireList'
import type { WireRow } from './wireRow'
import { listChanges } from './listChanges'
import { powerPaths } from './powerPath'

const listOf = ({ job, loop }: Edited) => wireList(resolveChain(job, loop.chain), job.practice, loop.wiring.rows)
const say = ({ from, to }: Pick<WireRow, 'from' | 'to'>) => `${from.tag}.${from.label}-${to.tag}.${to.label}`
const only = (kind: Parameters<typeof chained>[0], ...steps: readonly string[]) => chained(kind, {}, steps)
const landed = (edited: Edited, states: Readonly<Record<string, RowState>>): Edited => ({
  ...edited,
  loop: { ...edited.loop, wiring: { ...edited.loop.wiring, rows: states } },
})

describe('what a wire carries', () => {
  it('an extra-low call through a contact that is rated for mains stays extra-low', () => {
    const rows = listOf(chained('chiller')).rows.filter(({ from, to }) => /^S/.test(from.tag) || /^S/.test(to.tag))
    expect(rows.length).toBeGreaterThan(2)
    expect(new Set(rows.map(({ circuit }) => circuit))).toEqual(new Set(['extra-low']))
    expect(new Set(rows.map(({ conductor }) => conductor.sizeMm2))).toEqual(new Set([0.75]))
  })
  it('what the heater wets itself stays live while the loop\u2019s own circuit is off', () => {
    const { rows, main } = listOf(chained('pool'))
    expect(main?.tag).toBe('X1')
    expect(rows.filter(({ liveFrom }) => liveFrom !== undefined).map((row) => `${say(row)} ${row.liveFrom}`)).toEqual([
      'E1.T1-K1.1 E1',
      'K1.2-S1.1 E1',
      'S1.2-E1.T2 E1',
    ])
  })
  it('behind a transformer the source is the circuit before it', () => {
    const { rows } = listOf(chained('pool'))
    const low = rows.find((row) => say(row) === 'X2.24-A1.24')!
    expect([low.circuit, low.source?.tag, low.liveFrom]).toEqual(['extra-low', 'X1', undefined])
  })
  it('a battery is a source of its own', () =>
    expect(listOf(chained('cabin')).main).toMatchObject({ kind: 'battery', volts: 12.6 }))
})

describe('cables', () => {
  it('a probe\u2019s screen is earthed at the controller alone', () => {
    const screen = listOf(plannedFloor()).rows.find(({ role }) => role === 'screen')!
    expect(screen.cable).toEqual({ tag: 'W1', screenAt: ['A1'] })
    expect(screen.hint).toBe('Earthed at A1 alone; at B1 cut back and taped.')
  })
  it('a drive\u2019s motor cable is earthed at both ends', () => {
    const { rows } = listOf(only('fan', 'mains-230-10', 'swift', 'petrel', 'fan-motor-075'))
    const motor = rows.filter(({ cable }) => cable?.screenAt.length === 2)
    expect(motor.map(say)).toEqual(['T1.U-M1.U', 'T1.V-M1.V', 'T1.W-M1.W', 'T1.PE2-M1.PE', 'T1.SCR-M1.SCR'])
  })
  it('units of one pair hand their extra-low supply on', () => {
    const low = { ...device('dunlin') }
    const units = {
      ...low,
      id: 'dunlin-low',
      terminals: {
        ...low.terminals,
        '1': { ...low.terminals['1']!, voltageClass: 'extra-low' as const },
        '2': { ...low.terminals['2']!, voltageClass: 'extra-low' as const },
      },
      ports: {
        ...low.ports,
        supply: {
          kind: 'supply-in' as const,
          title: 'supply',
          drawsVa: 3,
          variants: { low: { order: 1, lowV: 20, highV: 28, current: 'ac-dc' as const, line: '1', neutral: '2' } },
        },
      },
    }
    const start = only('cold-room', 'safety-24')
    const two = addDevice(addDevice(start, units, 'a'), units, 'b')
    const rows = listOf(two).rows.filter(({ role }) => role === 'line' || role === 'neutral')
    expect(rows.map((row) => `${say(row)} ${row.hint ?? ''}`)).toEqual([
      'X1.24-A1.L ',
      'X1.0-A1.N ',
      'A1.L-A2.L Supply pair of the daisy chain: handed on by A1.',
      'A1.N-A2.N Supply pair of the daisy chain: handed on by A1.',
    ])
  })
})

describe('commons', () => {
  const half = () => only('boiler', 'safety-24', 'plover', 'valve-y010')
  it('a bridge of commons is made where all are half-wave, and says so', () =>
    expect(listOf(half()).rows.find(({ hint }) => hint?.includes('commons'))?.hint).toContain('X1'))
  it('it is withheld where one rectifies both half waves', () => {
    const full = device('plover')
    const edited = addDevice(
      half(),
      { ...full, id: 'plover-full', controller: { ...full.controller!, rectifies: 'full' } },
      'full',
    )
    const { rows, withheld } = listOf(edited)
    expect([...new Set(withheld.map(({ reason }) => reason))]).toEqual([
      expect.stringContaining('a transformer of its own'),
    ])
    expect(withheld.length).toBe(2)
    expect(rows.some(({ hint }) => hint?.includes('commons'))).toBe(false)
  })
})

describe('what must not be wired', () => {
  it('mains never lands on an extra-low terminal', () => {
    const edited = only('pool', 'mains-230-10', 'siskin', 'circulator-45')
    const joined = joinPorts(
      edited,
      { device: idOf(edited, 'mains-230-10'), port: 'out' },
      { device: idOf(edited, 'siskin'), port: 'out1' },
    )
    const { rows, withheld } = listOf(joined)
    expect(withheld.map(({ reason }) => reason)).toEqual(
      expect.arrayContaining([expect.stringContaining('Mains on an extra-low terminal')]),
    )
    for (const row of rows) expect(row.from.tag === 'X1' && row.to.tag === 'A1').toBe(false)
  })
  it('a contact that puts its own voltage out never lands on a dry input', () => {
    const edited = only('cabinet', 'mains-230-10', 'wheatear', 'boiler-cond')
    const { withheld } = listOf(edited)
    expect(withheld.some(({ reason }) => reason.includes('wants a dry contact'))).toBe(true)
  })
})

describe('contacts in parallel', () => {
  const across = (edited: Edited) =>
    bypass(edited, { device: idOf(edited, 'dipper'), port: 'out1' }, device('hand-switch'), 'hand')
  it('lie from the same source to the same target', () => {
    const rows = listOf(across(plannedFloor())).rows.filter(({ from, to }) => [from.tag, to.tag].includes('S1'))
    expect(rows.map(say)).toEqual(['X1.L-S1.1', 'S1.2-F1.1'])
  })
  it('taken out again, the list is as it was and the contact is not bridged', () => {
    const before = plannedFloor()
    const after = removeDevice(across(before), 'hand')
    expect(listOf(after).rows.map(say)).toEqual(listOf(before).rows.map(say))
  })
  it('in a call both begin at the input', () => {
    const pool = chained('pool')
    const edited = bypass(pool, { device: idOf(pool, 'isolate-24ac'), port: 'contact' }, device('door-switch'), 'hand')
    expect(listOf(edited).rows.map(say)).toEqual(expect.arrayContaining(['E1.T1-S2.1', 'S2.2-S1.1', 'E1.T1-K1.1']))
  })
})

describe('numbers and changes', () => {
  it('a landed wire keeps its number when the list before it grows', () => {
    const before = plannedFloor()
    const row = listOf(before).rows.find((each) => say(each) === 'F1.2-M1.L')!
    const kept = landed(before, { [row.id]: { landed: true, number: row.number } })
    const connection = Object.keys(kept.loop.chain.connections).find((id) => id.startsWith('device-2.out1'))!
    const after = listOf(insertDevice(kept, connection, profile('permissives/hand-switch'), 'hand')).rows
    expect(after.find(({ id }) => id === row.id)?.number).toBe(row.number)
    expect(new Set(after.map(({ number }) => number)).size).toBe(after.length)
  })
  it('says what came, went and moved, once work has begun', () => {
    const before = plannedFloor()
    const old = listOf(before).rows
    const out = old.find((each) => say(each) === 'A1.6-F1.1')!
    const states = { [out.id]: { landed: true as const, number: out.number } }
    const connection = Object.keys(before.loop.chain.connections).find((id) => id.startsWith('device-2.out1'))!
    const after = listOf(
      insertDevice(landed(before, states), connection, profile('permissives/hand-switch'), 'hand'),
    ).rows
    const changes = Object.values(listChanges(old, after, states))
    expect(changes.map(({ what, landed: was }) => [what, was ?? false])).toEqual([
      ['moved', true],
      ['came', false],
    ])
    expect(changes[0]!.says).toContain('it was 4: A1 6 to F1 1, black')
    expect(listChanges(old, after, {})).toEqual({})
  })
  it('a landed wire that the plan no longer has is to be taken off', () => {
    const before = plannedFloor()
    const old = listOf(before).rows
    const states = Object.fromEntries(old.map((row) => [row.id, { landed: true as const, number: row.number }]))
    const after = listOf(removeDevice(landed(before, states), 'device-1')).rows
    const gone = Object.values(listChanges(old, after, states))
    expect(gone.map(({ what }) => what)).toEqual(['went', 'went', 'went'])
    expect(gone.every((each) => each.landed === true)).toBe(true)
  })
})

describe('any valid chain', () => {
  const extras = ['hand-switch', 'filter-timer', 'harrier', 'door-switch']
  const act = fc.record({
    do: fc.constantFrom('across', 'series', 'swap' as const),
    at: fc.nat(40),
    which: fc.constantFrom(...extras),
  })
  const chains = fc.tuple(fc.constantFrom(...loopKinds), fc.array(act, { maxLength: 5 })).map(([kind, acts]) =>
    acts.reduce((edited, each, i): Edited => {
      const chain = resolveChain(edited.job, edited.loop.chain)
      const probeWires = chain.connections.filter(
        ({ fromPort, toPort }) => fromPort.kind === 'contact' && toPort.kind !== 'pair',
      )
      const connection = probeWires[each.at % Math.max(1, probeWires.length)]
      if (!connection) return edited
      try {
        return each.do === 'across'
          ? bypass(edited, connection.from, device(each.which), `extra-${i}`)
          : insertDevice(edited, connection.id, device(each.which), `extra-${i}`)
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError)
        return edited
      }
    }, chained(kind)),
  )
  const minus = /^(N|0|−|BN|A2|PE)$/

  it('no list joins mains to an extra-low terminal', () =>
    fc.assert(
      fc.property(chains, (edited) => {
        const { job, loop } = edited
        const chain = resolveChain(job, loop.chain)
        for (const { from, to, circuit, role } of listOf(edited).rows) {
          if (role === 'earth' || circuit !== 'mains' || role === 'screen') continue
          for (const end of [from, to])
            expect(chain.devices.find(({ id }) => id === end.device)!.facts.terminals[end.terminal]!.voltageClass).toBe(
              'mains',
            )
        }
      }),
      { numRuns: 200 },
    ))
  it('no load that is fed is left without a return', () =>
    fc.assert(
      fc.property(chains, (edited) => {
        const { rows } = listOf(edited)
        const lands = (device: string, terminal: string) =>
          rows.some(({ from, to }) => [from, to].some((end) => end.device === device && end.terminal === terminal))
        for (const { load, loadPort, connections } of powerPaths(resolveChain(edited.job, edited.loop.chain)))
          if (connections.length > 0 && lands(load.id, loadPort.line))
            expect(lands(load.id, loadPort.neutral)).toBe(true)
      }),
      { numRuns: 200 },
    ))
  it('no two ends of one row are of different polarity', () =>
    fc.assert(
      fc.property(chains, (edited) => {
        for (const { role, from, to } of listOf(edited).rows) {
          if (role === 'neutral')
            expect([from.label, to.label].every((label) => !['L', '+', '24'].includes(label))).toBe(true)
          if (role === 'line') expect([from.label, to.label].every((label) => !minus.test(label))).toBe(true)
          if (role === 'earth') expect([from.label, to.label].every((label) => label.startsWith('PE'))).toBe(true)
        }
      }),
      { numRuns: 200 },
    ))
})
