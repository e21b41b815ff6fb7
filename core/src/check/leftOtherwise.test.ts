import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { fieldData } from '../testing/fieldData'
import { leftAt } from '../testing/ruleCases'
import { checkLoop } from './checkLoop'

const said = (value: number) => {
  const { job, loop } = leftAt(value)
  return checkLoop(loopContext(job, loop, fieldData)).open.find(({ code }) => code === 'C097_LEFT_OTHERWISE')
}

describe('a setting left other than planned', () => {
  it.each([
    [27, /was left other than planned/, /Key it as planned/],
    [2.8, /was left at a tenth of the plan/, /decimal point has slipped/],
    [280, /was left at ten times the plan/, /decimal point has slipped/],
  ])('at %s', (value, head, remedy) => {
    const found = said(value)!
    expect(found.head).toMatch(head)
    expect(found.remedy).toMatch(remedy)
  })
})
