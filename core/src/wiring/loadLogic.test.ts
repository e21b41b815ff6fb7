import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { resolveChain } from '../document/chain'
import { loopKinds } from '../kinds/kinds'
import { chained, idOf } from '../testing/chains'
import { device } from '../testing/loops'
import { plannedFloor } from '../testing/warmFloor'
import { type Edited, bypass } from './chainEdit'
import { runs } from './contactLogic'
import { loadLogics } from './loadLogic'
import { sayExpression } from './parseExpression'

const logicsOf = ({ job, loop }: Edited) => loadLogics(resolveChain(job, loop.chain))
const say = (edited: Edited) =>
  logicsOf(edited).map(({ load, expression }) => `${load.tag}: ${expression ? sayExpression(expression) : ''}`)
const across = (edited: Edited, over: string, port: string, what = 'hand-switch', id = 'hand') =>
  bypass(edited, { device: idOf(edited, over), port }, device(what), id)

describe('the logic of each load', () => {
  it('has the contacts in series in the order of the current', () =>
    expect(say(plannedFloor())).toEqual(['M1: A1 and F1']))
  it('looks through a relay to what pulls its coil', () => {
    const [pool] = logicsOf(chained('pool'))
    expect(sayExpression(pool!.line!)).toBe('K1 and S1')
    expect(sayExpression(pool!.expression!)).toBe('A1 and S1')
    expect(pool!.relays.map(({ contact, coil }) => `${contact.name}: ${sayExpression(coil)}`)).toEqual(['K1: A1'])
  })
  it('tells the outputs of one controller apart', () =>
    expect(say(chained('cold-room'))).toEqual(['M1: A1 K', 'M2: A1 F', 'E1: A1 D']))
  it('names what still protects', () => {
    const [floor] = logicsOf(plannedFloor())
    expect(floor!.protects.map(({ name }) => name)).toEqual(['F1'])
    expect(floor!.logic!.mustClose).toEqual(['A1', 'F1'])
  })
})

describe('a switch across', () => {
  it('the control: it defeats that, the limiter still stands', () => {
    const edited = across(plannedFloor(), 'dipper', 'out1')
    const [floor] = logicsOf(edited)
    expect(say(edited)).toEqual(['M1: (A1 or S1) and F1'])
    expect(floor!.defeats.map(({ contact, by, safety }) => `${by.name} ${contact.name} ${safety}`)).toEqual([
      'S1 A1 false',
    ])
    expect(floor!.protects.map(({ name }) => name)).toEqual(['F1'])
  })
  it('the limiter: a safety is defeated and nothing protects', () => {
    const [floor] = logicsOf(across(plannedFloor(), 'shrike', 'contact'))
    expect(floor!.defeats.map(({ contact, by, safety }) => `${by.name} ${contact.name} ${safety}`)).toEqual([
      'S1 F1 true',
    ])
    expect(floor!.protects).toEqual([])
  })
  it('a relay contact counts for what pulls it', () => {
    const pool = chained('pool')
    const [logic] = logicsOf(across(pool, 'isolate-24ac', 'contact'))
    expect(sayExpression(logic!.expression!)).toBe('(A1 or S2) and S1')
  })
  it('two of them draw as one group', () => {
    const twice = across(across(plannedFloor(), 'dipper', 'out1'), 'dipper', 'out1', 'filter-timer', 'timer')
    expect(say(twice)).toEqual(['M1: (A1 or S1 or S2) and F1'])
  })
})

describe('whatever lies across', () => {
  it('the truth table agrees with the walk from the supply to the load', () =>
    fc.assert(
      fc.property(fc.constantFrom(...loopKinds), fc.array(fc.nat(20), { maxLength: 3 }), (kind, picks) => {
        const edited = picks.reduce((next, pick, i) => {
          const chain = resolveChain(next.job, next.loop.chain)
          const contacts = chain.connections.filter(({ fromPort }) => fromPort.kind === 'contact' && !fromPort.fed)
          const over = contacts[pick % Math.max(1, contacts.length)]
          return over ? bypass(next, over.from, device('hand-switch'), `hand-${i}`) : next
        }, chained(kind))
        for (const { logic, expression, contacts, protects, defeats } of logicsOf(edited)) {
          if (!logic || !expression) continue
          for (const { inputs, runs: on } of logic.rows)
            expect(runs(expression, new Set(contacts.map(({ name }) => name).filter((name) => inputs[name])))).toBe(on)
          // What protects must close in every row that runs.
          for (const { name } of protects)
            expect(
              defeats.some(({ contact }) => contact.name === name) ||
                logic.rows.every(({ inputs, runs: on }) => !on || inputs[name]),
            ).toBe(true)
        }
      }),
      { numRuns: 120 },
    ))
})
