import { describe, expect, it } from '@jest/globals'
import { resolveChain } from '../document/chain'
import { checkLoop } from '../check/checkLoop'
import { applyFix } from '../check/fix'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { loopContext } from '../loop/context'
import { chained, step } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { device, shelf } from '../testing/loops'
import type { Edited } from './chainEdit'
import { voltsToEarth } from './groundFault'
import { wireList } from './wireList'

const inUs = ({ job, loop }: Edited): Edited => ({ job: { ...job, practice: 'us' }, loop })
const rowsOf = ({ job, loop }: Edited) =>
  wireList(resolveChain(job, loop.chain), job.practice).rows.map(({ from, to, role, conductor }) => ({
    say: `${from.tag}.${from.label}-${to.tag}.${to.label}`,
    role,
    colour: conductor.colour,
  }))
const codes = ({ job, loop }: Edited) => checkLoop(loopContext(job, loop, fieldData, job)).open

/** A fan motor of three phases behind a contactor that a thermostat moves, and what feeds both. */
const fan400 = (contactor: string) =>
  [
    'mains-230-10',
    'bunting',
    'fan-motor-400',
    'mains-400-16-3p',
    `bunting>fan-motor-400:${contactor}`,
    'mains-230-10.out=bunting.heat',
  ].reduce(step, chained('fan', {}, []))

describe('three phases', () => {
  it('each goes through a pole of its own, in its own colour, and none to the earth', () => {
    const rows = rowsOf(fan400('contactor-3p-230')).filter(({ say }) => /M1|K1\.[1-6]/.test(say))
    expect(rows.map(({ say, colour }) => `${say} ${colour}`)).toEqual([
      'X2.L1-K1.1 BN',
      'K1.2-M1.U BN',
      'X2.L2-K1.3 BK',
      'K1.4-M1.V BK',
      'X2.L3-K1.5 GY',
      'K1.6-M1.W GY',
      'X2.PE-M1.PE GNYE',
    ])
  })
  it('a load of three phases fits a circuit of them, the coil one of its own', () =>
    expect(codes(fan400('contactor-3p-230')).map(({ code }) => code)).not.toEqual(
      expect.arrayContaining(['C010_DOES_NOT_FIT']),
    ))
  it('a contactor of one pole leaves two live: found, and its remedy breaks all three', () => {
    const edited = fan400('contactor-25')
    const found = codes(edited).find(({ code }) => code === 'C142_ONE_LEG_LIVE')
    expect(found?.head).toBe('Not every phase of M1 is broken.')
    const mended = applyFix(edited, found!.fix!, shelf, () => 'new')!
    expect(codes(mended).map(({ code }) => code)).not.toContain('C142_ONE_LEG_LIVE')
    expect(Object.values(mended.loop.chain.devices).map(({ profile }) => profile)).toContain('contactor-3p-230')
  })
  it('three equal elements read the same between any two terminals, in star as in delta: 2 V\u00b2 over P', () => {
    const heater = [
      'mains-480-20-3p',
      'bunting',
      'unit-heater-480',
      'mains-120-15',
      'bunting>unit-heater-480:contactor-3p-120',
    ].reduce(step, chained('room', {}, []))
    const { job, loop } = inUs(heater)
    const steps = safetyBlocks(loopContext(job, loop, fieldData, job)).steps.dead.filter(({ title }) =>
      title.startsWith('Across E1'),
    )
    expect(steps.map(({ title }) => title)).toEqual([
      'Across E1: T1 to T2',
      'Across E1: T2 to T3',
      'Across E1: T1 to T3',
    ])
    // 2 x 480 x 480 / 10 000
    for (const { should } of steps) expect(should).toMatch(/^About 46\.1 ohm, .* in delta/)
  })
  it.each([
    ['mains-480-20-3p', 480 / Math.sqrt(3)],
    ['mains-208-30-3p', 208 / Math.sqrt(3)],
    ['mains-208-20', 120],
    ['mains-240-20', 120],
    ['mains-277-20', 277],
    ['mains-400-16-3p', 400 / Math.sqrt(3)],
  ])('%s: %d V from a hot to earth', (id, volts) => {
    const out = Object.values(device(id).ports).find((port) => port.kind === 'supply-out')
    expect(voltsToEarth(out as never)).toBeCloseTo(volts, 6)
  })
})

describe('an overload in a motor line', () => {
  it('opens all three and counts as protection', () => {
    const edited = step(fan400('contactor-3p-230'), 'contactor-3p-230>fan-motor-400:overload-3p-4')
    expect(rowsOf(edited).map(({ say }) => say)).toEqual(
      expect.arrayContaining(['K1.6-S1.5', 'S1.6-M1.W', 'K1.4-S1.3', 'S1.4-M1.V', 'K1.2-S1.1', 'S1.2-M1.U']),
    )
  })
})
