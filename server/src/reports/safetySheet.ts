import type { LoopContext } from '@nachtigal/core/loop/context'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { type SafetyBlockId, safetyBlockIds, type SafetyStep } from '@nachtigal/core/commissioning/safetyStep'
import { cautionsAt } from '@nachtigal/core/kinds/hazards'
import { type Block, heading, INK2, sheet, type Stamp, t, table } from './sheetParts'

/** Where something is to be written by hand. */
const BLANK = '..........'

const titles: Readonly<Record<SafetyBlockId, string>> = {
  isolate: '1 Isolate and prove dead',
  dead: '2 Dead tests, earth first, everything put back',
  live: '3 First live, in rounds: measure, isolate, prove dead, land, power again',
}

/** What was read or answered, as it was typed. */
function stepRead({ reading, answer, ask }: SafetyStep): string {
  if (answer) return ask.kind === 'answer' ? (answer.answer === 'yes' ? ask.yes : ask.no) : answer.answer
  if (!reading) return ask.kind === 'rows' ? 'in the list' : ''
  return reading.state === 'over-range' ? 'over-range' : `${reading.text} ${reading.unit}`
}

/** The steps from isolating to first live in their order, to be worked through with a pencil; what was read already stands there. */
export function safetySheet(context: LoopContext, stamp: Stamp): object {
  const { loop, job, words } = context
  const { steps, shutBy, failed } = safetyBlocks(context)
  const blocks = safetyBlockIds.filter((id) => steps[id].length > 0)
  const content: Block[] = [
    t('Safety steps', { style: 'title' }),
    t(`${loop.name}, ${job.name}${job.place ? `, ${job.place}` : ''}`, { style: 'lead' }),
    t('Local code, the makers\u2019 leaflets and the licensed trades come first. Nothing is landed or lifted live.', {
      color: INK2,
      margin: [0, 0, 0, 6],
    }),
    ...(failed.length > 0
      ? [t('NOT PROVED, DO NOT ENERGISE', { bold: true, fontSize: 14, margin: [0, 0, 0, 6] })]
      : []),
    ...cautionsAt(loop.survey.hazards, 'wire').map(({ caution }) =>
      t(words.tell(caution), { bold: true, margin: [0, 0, 0, 2] }),
    ),
    ...blocks.flatMap((id) => [
      heading(titles[id]),
      ...(id === 'live' && shutBy.length > 0
        ? [
            t(`Shut: ${shutBy.length} ${shutBy.length === 1 ? 'thing keeps' : 'things keep'} it closed.`, {
              bold: true,
            }),
          ]
        : []),
      table(
        [18, 96, '*', 140, 60],
        ['', 'step', 'what to do', 'should', 'read'],
        steps[id].map((step, i) => [
          String(i + 1),
          step.title,
          step.caution === undefined ? step.doing : `${step.doing} CAUTION: ${step.caution}`,
          step.should,
          stepRead(step) || BLANK,
        ]),
      ),
    ]),
    ...(blocks.length === 0 ? [t('Steps are made from the list of wires: there is none yet.')] : []),
    t(`Name ${BLANK}${BLANK}   Day ${BLANK}   Measured with ${BLANK}${BLANK}`, { margin: [0, 8, 0, 0] }),
  ]
  return sheet(context, 'Safety steps', content, stamp, { pageOrientation: 'landscape', step: 'wire/dead' })
}
