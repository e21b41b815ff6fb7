import type { LoopContext } from '@nachtigal/core/loop/context'
import { proofTests } from '@nachtigal/core/commissioning/proofTests'
import { readText, shouldText } from '@nachtigal/core/commissioning/judgedTest'
import { cautionsAt } from '@nachtigal/core/kinds/hazards'
import { type Block, heading, INK2, sheet, type Stamp, t, table } from './sheetParts'

/** Where something is to be written by hand. */
const BLANK = '..................'

/**
 * Every test of a loop to be made with a pencil: what for, what to have, how, cautions, and step by step what to do, what to dial in place of
 * the probe and what should be read. What was read already stands there.
 */
export function testSheet(context: LoopContext, stamp: Stamp): object {
  const { loop, job, words } = context
  const tests = proofTests(context)
  const content: Block[] = [
    t('Test sheet', { style: 'title' }),
    t(`${loop.name}, ${job.name}${job.place ? `, ${job.place}` : ''}`, { style: 'lead' }),
    t(
      'Local code, the makers\u2019 leaflets and the licensed trades come first. Dead first; live only by whoever may.',
      {
        color: INK2,
        margin: [0, 0, 0, 6],
      },
    ),
    ...cautionsAt(loop.survey.hazards, 'prove').map(({ caution }) =>
      t(words.tell(caution), { bold: true, margin: [0, 0, 0, 2] }),
    ),
    ...tests.flatMap((test) => [
      heading(`${test.title}, ${test.about}${test.spare ? ' (if wanted)' : ''}`),
      t(test.purpose, { margin: [0, 0, 0, 2] }),
      t(`At hand: ${test.have.join(', ')}. ${test.how}`, { margin: [0, 0, 0, 2] }),
      t(`Rule: ${test.rule}`, { margin: [0, 0, 0, 2] }),
      ...test.safety.map((line) => t(line, { bold: true, margin: [0, 0, 0, 2] })),
      table(
        [16, '*', 96, 96, 92],
        ['', 'what to do', 'dial', 'should', 'read'],
        test.steps.flatMap((step, i) => [
          [String(i + 1), step.does, step.dial ?? '', shouldText(step.main.ask, words), readText(step.main) || BLANK],
          ...step.asides.map((state) => [
            '',
            state.ask.label,
            '',
            shouldText(state.ask, words),
            readText(state) || BLANK,
          ]),
        ]),
      ),
    ]),
    ...(tests.length === 0 ? [t('Tests are made from the plan: there is none yet.')] : []),
    t(`Name ${BLANK}   Day ${BLANK}   Measured with ${BLANK}${BLANK}`, { margin: [0, 8, 0, 0] }),
  ]
  return sheet(context, 'Test sheet', content, stamp, { step: 'prove' })
}
