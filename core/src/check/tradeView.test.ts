import { describe, expect, it } from '@jest/globals'
import { type LoopContext, loopContext } from '../loop/context'
import { type OnOffBehaviour, plansOf, type PlanOf } from '../settings/behaviour'
import { withLoopSetting } from '../simulate/loop/sweep'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { tradeOff } from './tradeOff'
import { consequences } from '../settings/consequences'
import { asRun, tradeKey, tradeView } from './tradeView'

/** A cold room, its store and its plan, put to another swing. */
function coldRoom() {
  const edited = chained('cold-room')
  const contextAt = (swingK?: number): { context: LoopContext; plan: PlanOf } => {
    const [plan] = plansOf(edited.loop.settings.planned)
    const loop = swingK === undefined ? edited.loop : withLoopSetting(edited.loop, plan!.id, 'swingK', swingK)
    return { context: loopContext(edited.job, loop, fieldData), plan: plansOf(loop.settings.planned)[0]! }
  }
  const { plan } = contextAt()
  const trade = tradeOff({ edited, data: fieldData, plan: plan.id, setting: 'swingK' })!
  const viewAt = (swingK?: number, day: 'design' | 'mild' = 'design') => {
    const at = contextAt(swingK)
    return tradeView(at.context, at.plan, 'swingK', trade.points, trade.bounds, day)
  }
  return { edited, contextAt, trade, viewAt }
}

describe('the picture of what a swing costs', () => {
  const { edited, contextAt, trade, viewAt } = coldRoom()
  it('has starts, how far it strays, and the heat it takes out, each with what binds it', () => {
    expect(viewAt().lanes.map(({ id, title, bound }) => [id, title, bound])).toEqual([
      ['starts', 'Starts an hour, worst half load', 8],
      ['stray', expect.stringMatching(/^Furthest from /), edited.loop.survey.answers['tolerance']],
      ['energy', 'Heat removed in a day', undefined],
    ])
  })
  it('at a value that was run it says what the run said; between them it says about', () => {
    const [, second, third] = trade.points
    const stray = (swingK: number) => viewAt(swingK).lanes.find(({ id }) => id === 'stray')!
    expect(stray(second!.value).here).toBe(second!.days.design.strayK)
    const { context, plan } = contextAt(second!.value)
    const told = asRun(consequences(plan as OnOffBehaviour, context), viewAt(second!.value)).find(
      ({ id }) => id === 'settles',
    )!
    const { lowestC, highestC } = second!.days.design
    expect(told.text).toBe(
      `${context.words.say(lowestC, 'temperature')} to ${context.words.say(highestC, 'temperature')}`,
    )
    expect(stray(second!.value).keeps).toBe(second!.days.design.keeps.stray)
    const middle = stray((second!.value + third!.value) / 2 + 1e-4)
    expect(middle.hereText).toMatch(/^about /)
    const [low, high] = [second!.days.design.strayK, third!.days.design.strayK].sort((a, b) => a - b)
    expect(middle.here).toBeGreaterThanOrEqual(low!)
    expect(middle.here).toBeLessThanOrEqual(high!)
  })
  it('the mild day is a tap away, and starts of the worst half load are of neither', () => {
    const [design, mild] = [viewAt(undefined, 'design'), viewAt(undefined, 'mild')]
    expect(mild.lanes[2]!.here).toBeLessThan(design.lanes[2]!.here)
    expect(mild.lanes[0]!.here).toBe(design.lanes[0]!.here)
  })
  it('where only the other day strays it says so, and by how much', () => {
    for (const point of trade.points) {
      const said = viewAt(point.value, 'design').otherDay
      const alone = point.days.design.keeps.stray && !point.days.mild.keeps.stray
      expect([point.value, said !== undefined]).toEqual([point.value, alone])
      if (alone) expect(said).toMatch(/^Mild day: .* astray at this value\.$/)
    }
  })
  it('offers a value only where today does not meet everything, and is quiet where it does', () => {
    const kept = trade.ranges.all[0]!.low
    expect(viewAt(kept)).toMatchObject({ verdict: 'fits' })
    expect(viewAt(kept).offer).toBeUndefined()
    const wide = viewAt(trade.span.high)
    expect(wide.verdict).toBe('look')
    expect(wide.offer!.says).toMatch(/^starts .* at worst, .* astray at most, .*kWh$/)
    expect(viewAt(wide.offer!.value).verdict).toBe('fits')
  })
  it('dragging the setting makes no new picture; another setpoint, answer or plan does', () => {
    const keyOf = ({ context, plan }: ReturnType<typeof contextAt>) => tradeKey(context, plan, 'swingK')
    const first = keyOf(contextAt())
    expect(keyOf(contextAt(3))).toBe(first)
    const { context, plan } = contextAt()
    const loop = withLoopSetting(context.loop, plan.id, 'setpointC', plan.setpointC + 1)
    expect(tradeKey({ ...context, loop }, plansOf(loop.settings.planned)[0]!, 'swingK')).not.toBe(first)
    const survey = { ...context.loop.survey, answers: { ...context.loop.survey.answers, tolerance: 3 } }
    expect(tradeKey({ ...context, loop: { ...context.loop, survey } }, plan, 'swingK')).not.toBe(first)
  })
})
