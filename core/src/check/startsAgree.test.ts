import { describe, expect, it } from '@jest/globals'
import type { Answer } from '../kinds/answers'
import { loopKinds } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { allowedStarts } from '../settings/allowedStarts'
import { switchingPlans } from '../settings/behaviour'
import { consequences } from '../settings/consequences'
import { startsOf, startsTitles, worstTitle } from '../settings/starts'
import { propose } from '../survey/proposal'
import { chained, replanned } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { fromSetpoint } from '../settings/behaviour'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

/** What each step says of how often a loop starts. */
function saidOf(edited: Edited) {
  const of = context(edited)
  const plan = switchingPlans(of.loop.settings.planned).find(({ action }) => action === of.survey?.seen.action)
  const starts = plan && startsOf(of, plan)
  if (!plan || !starts) return undefined
  const proposal = propose(of, of.survey!)
  const figure = (title: string) => proposal.figures.find(({ label }) => label.startsWith(title))?.value
  return {
    stages: starts.load.stages,
    survey: figure(worstTitle(starts.worst)),
    surveyAllows: figure(startsTitles.allowed),
    set: consequences(plan, of).find(({ id }) => id === 'worst')?.value ?? 0,
    allowed: allowedStarts(of, plan.output)?.perHour,
    advisedK: starts.allowedSwingK,
    finding: checkLoop(of).open.find(({ code, about }) => code === 'C093_STARTS_TOO_MANY' && about === plan.id),
  }
}

describe('starts an hour', () => {
  it.each(loopKinds)('%s: Survey, Set and the finding say the same, and allow the same', (kind) => {
    const said = saidOf(chained(kind))
    if (!said) return expect(['fan', 'floor', 'boiler']).toContain(kind)
    // Under the same name too: a name of its own would find nothing.
    if (said.stages === 1 && said.surveyAllows !== undefined) expect(said.survey).toBeCloseTo(said.set, 9)
    if (said.surveyAllows !== undefined) expect(said.surveyAllows).toBe(said.allowed)
    const tooMany = said.allowed !== undefined && said.set > said.allowed + 1e-9
    expect(said.finding !== undefined).toBe(tooMany)
    if (said.finding) {
      expect(said.finding.figures).toMatchObject({ cyclesPerHour: said.set, mostAnHour: said.allowed })
      const { fix } = said.finding
      if (fix?.do === 'setting') expect(fix.value).toBeGreaterThanOrEqual(said.advisedK! - 1e-9)
    }
  })
  it.each([
    ['cabin', {}],
    ['enclosure', { cooler: 'unit' }],
  ] as const)(
    '%s: at the swing that is advised it starts as often as it may, and is no longer told of',
    (kind, answers) => {
      const edited = chained(kind, answers as Readonly<Record<string, Answer>>)
      const of = context(edited)
      const plan = switchingPlans(of.loop.settings.planned)[0]!
      const narrow = replanned(edited, {
        ...fromSetpoint(plan.action, plan.convention, plan.setpointC, 0.2),
        minimumOffS: 0,
      })
      const said = saidOf(narrow)!
      expect(said.finding).toBeDefined()
      const wide = replanned(edited, {
        ...fromSetpoint(plan.action, plan.convention, plan.setpointC, said.advisedK! + 1e-6),
        minimumOffS: 0,
      })
      const after = saidOf(wide)!
      expect(after.finding).toBeUndefined()
      expect(after.set / said.allowed!).toBeCloseTo(1, 1)
    },
  )
})
