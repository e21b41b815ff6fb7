import { describe, expect, it } from '@jest/globals'
import { refusal } from '@nachtigal/contract/check'
import { loopSchema } from '@nachtigal/contract/documentSchemas'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { loopContext } from '@nachtigal/core/loop/context'
import { nextThing, stepStatus } from '@nachtigal/core/progress/stepStatus'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import { fieldData } from '@nachtigal/core/testing/fieldData'
import { Chance, spoilt } from '@nachtigal/core/testing/spoilt'
import { AppError } from '../appError'
import { demoFile } from '../testing'
import { sheetMaker } from './sheetMaker'

const SEED = Number(process.env['NACHTIGAL_ODD_SEED'] ?? 6)
const COUNT = Number(process.env['NACHTIGAL_ODD_COUNT'] ?? 60)

const { job, loops } = demoFile()

/** Odd documents that the schema takes: whatever has meaning, however unlikely. */
function* taken(chance: Chance, count: number): Generator<LoopDocument> {
  for (let n = 0; n < count;) {
    const made = spoilt(chance.of(Object.values(loops)), chance) as LoopDocument
    if (made === undefined || refusal(loopSchema, made)) continue
    n++
    yield made
  }
}

describe('what the schema takes', () => {
  it(`can be reckoned with: ${COUNT} odd loops from seed ${SEED} are derived, checked and counted without a fault`, () => {
    const faults: string[] = []
    for (const loop of taken(new Chance(SEED), COUNT))
      try {
        const context = loopContext(job, loop, fieldData, job, [...Object.values(loops), loop])
        checkLoop(context)
        stepStatus(context)
        nextThing(context)
      } catch (error) {
        faults.push(`${(error as Error).stack?.split('\n').slice(0, 5).join(' | ')}`)
      }
    expect([...new Set(faults)].slice(0, 10)).toEqual([])
  })

  it('can be printed: each sheet of each odd loop is made, or refused with what is missing', async () => {
    const faults: string[] = []
    const make = sheetMaker(fieldData, async () => Buffer.alloc(0))
    for (const loop of taken(new Chance(SEED + 1), Math.ceil(COUNT / 5)))
      for (const sheet of sheets)
        try {
          await make({ sheet, job, loops: { ...loops, [loop.id]: loop }, loopId: loop.id, stamp })
        } catch (error) {
          if (!(error instanceof AppError))
            faults.push(`${sheet}: ${(error as Error).stack?.split('\n').slice(0, 5).join(' | ')}`)
        }
    expect([...new Set(faults)].slice(0, 10)).toEqual([])
  })
})

const stamp = { printedAt: '2026-01-05T08:00:00.000Z', hash: '' }
/** The picture takes a layout of its own, which is tried elsewhere. */
const sheets = [
  'as-left',
  'tests',
  'safety-steps',
  'panel-card',
  'owners-page',
  'wires',
  'labels',
  'keying',
  'wires.csv',
  'keying.csv',
] as const
