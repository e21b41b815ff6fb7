import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../../loop/context'
import { chained, idOf, told } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import { keptRead, type Read, soundReadings } from '../../testing/soundReadings'
import { symptoms } from '../../testing/symptoms'
import type { Edited } from '../../wiring/edited'
import { findSymptoms } from '../findSymptoms'
import { proofTests } from '../proofTests'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const onDrive = (drive: 'gannet' | 'petrel') =>
  chained('fan', { motor: 'drive', occupants: 'nobody' }, [
    ...[
      'mains-230-16-30ma',
      drive,
      'air-ntc10k',
      drive === 'gannet' ? 'linnet' : 'swift',
      'fan-motor-075',
      'run-switch',
    ],
  ])
const onRadio = (lost: 'opens' | 'stays') =>
  told(
    chained('room', {}, ['mains-230-16-30ma', 'room-ntc10k', 'dipper', 'panel-heater-1500', 'radio-230']),
    'radio-230',
    { set: { lost } },
  )

/** What a test says where everything is read as it should be, but for these. */
function said(edited: Edited, id: string, others: Readonly<Record<string, Read>> = {}) {
  const test = proofTests(contextOf(edited)).find((each) => each.id === id)!
  const readings = Object.entries({ ...soundReadings(test), ...others }).map(([step, value], i) => [
    `r${i}`,
    keptRead(value, id, step, i + 1),
  ])
  const proof = { ...edited.loop.proof, readings: Object.fromEntries(readings) }
  const { result } = proofTests(contextOf({ ...edited, loop: { ...edited.loop, proof } })).find(
    (each) => each.id === id,
  )!
  return result
}

describe('a drive is proved', () => {
  const edited = onDrive('gannet')
  const id = `drive/${idOf(edited, 'gannet')}`
  it('good, where it follows, turns as its arrow and stops', () => expect(said(edited, id).verdict).toBe('good'))
  it('turning against its arrow: keyed the other way, or two wires swapped, dead', () => {
    const result = said(edited, id, { turns: 'against' })
    expect(result).toMatchObject({ verdict: 'look', code: 'drive.turns-back' })
    expect(result.causes.map(({ says }) => says)).toEqual([
      'Direction is keyed the other way.',
      expect.stringMatching(/Two of the three wires from T1 to M1/),
    ])
  })
  it('a stop, where it runs without its run input, whichever way it turns', () =>
    expect(said(edited, id, { turns: 'against', run: 'runs' })).toMatchObject({
      verdict: 'stop',
      code: 'drive.run-bridged',
    }))
  it('and the step at which it is watched has its caution', () =>
    expect(
      proofTests(contextOf(edited))
        .find((each) => each.id === id)!
        .steps.find((step) => step.id === 'turns')!.caution,
    ).toMatch(/Guards on/))
})

describe('a wireless switch is proved', () => {
  it.each(['opens', 'stays'] as const)('good, where it does what was chosen: %s', (lost) => {
    const edited = onRadio(lost)
    expect(said(edited, `permissive/${idOf(edited, 'radio-230')}`).verdict).toBe('good')
  })
  it.each([
    ['opens', { lost: 'stays' }, 'permissive.radio-lost'],
    ['stays', { lost: 'opens' }, 'permissive.radio-lost'],
    ['opens', { far: 'no' }, 'permissive.out-of-reach'],
  ] as const)('%s, read otherwise: %j', (lost, others, code) => {
    const edited = onRadio(lost)
    expect(said(edited, `permissive/${idOf(edited, 'radio-230')}`, others)).toMatchObject({ verdict: 'look', code })
  })
})

describe('a speed that wanders', () => {
  const causes = (drive: 'gannet' | 'petrel') =>
    findSymptoms(contextOf(onDrive(drive)), symptoms, 'speed wanders')
      .find(({ id }) => id === 'A31')!
      .causes.map(({ says }) => says)
  it('can lie at the bridge of the commons only where the drive has two', () => {
    expect(causes('gannet').some((says) => /bridged/.test(says))).toBe(true)
    expect(causes('petrel').some((says) => /bridged/.test(says))).toBe(false)
  })
})
