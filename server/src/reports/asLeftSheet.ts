import { answersOf, isAssumed } from '@nachtigal/core/kinds/answersOf'
import { figureSources } from '@nachtigal/core/survey/figureSources'
import { consequences } from '@nachtigal/core/settings/consequences'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { signingBlockedBy } from '@nachtigal/core/progress/stepStatus'
import { switchingPlans } from '@nachtigal/core/settings/behaviour'
import type { Reading } from '@nachtigal/core/document/documents'
import { keyingSheet } from '@nachtigal/core/commissioning/keyingSheet'
import { handoverTicks } from '@nachtigal/core/document/handover'
import { proofTests } from '@nachtigal/core/commissioning/proofTests'
import { readText, shouldText } from '@nachtigal/core/commissioning/judgedTest'
import { hazards } from '@nachtigal/core/kinds/hazards'
import { askedQuestions } from '@nachtigal/core/survey/surveyResult'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { sizeWords } from '@nachtigal/core/words/sizeWords'
import { shownDay, shownMoment } from '@nachtigal/core/time/shownMoment'
import { type Block, heading, INK2, sheet, type Stamp, t, table } from './sheetParts'

const verdictWords: Record<string, string> = {
  fits: 'fits',
  'look-again': 'look again',
  'does-not-fit': 'does not fit',
  stop: 'stop',
  look: 'look again',
  waiting: 'waits',
}

/** A label, what stands beside it, and the fact of the loop that it tells. */
type SheetLine = readonly [label: string, says: string, fact?: string | undefined]

const shown = (reading: Reading | undefined) =>
  reading ? (reading.state === 'over-range' ? 'over-range' : reading.text) : '\u2013'

/** ISO instant to the minute, UTC as the footer says. */

/** Survey figures and what follows from them, each with its unit and whether it was answered or estimated. */
function surveyLines(context: LoopContext): SheetLine[] {
  const { loop, survey, words, missing } = context
  const { target, tolerance } = answersOf(loop)
  const lines: SheetLine[] = []
  if (typeof target === 'number')
    lines.push([
      'Target',
      `${words.say(target, 'temperature')}${typeof tolerance === 'number' ? ` \u00b1 ${words.say(tolerance, 'difference')}` : ''}${isAssumed(loop, 'tolerance') ? ', straying assumed' : ''}`,
    ])
  if (!survey) return [...lines, ['Survey lacks', missing.join(', ').toLowerCase()]]
  for (const question of askedQuestions(loop)) {
    const { id, title } = question
    const answer = answersOf(loop)[id]
    const figure = survey.figures[id]
    if (id === 'target' || id === 'tolerance') continue
    if (question.ask === 'choice' && typeof answer === 'string')
      lines.push([
        title,
        `${words.tell(question.choices[answer]?.title ?? answer)}${isAssumed(loop, id) ? ', assumed' : ''}`,
      ])
    if (question.ask === 'number' && (typeof answer === 'number' || figure))
      lines.push([
        title,
        figure
          ? `${words.say(figure.value, question.quantity)}${figure.source === 'answer' ? '' : `, ${figureSources[figure.source]}`}`
          : words.say(Number(answer), question.quantity),
        figure ? id : undefined,
      ])
  }
  lines.push(...survey.lines.map(({ id, label, value, quantity }) => [label, words.say(value, quantity), id] as const))
  const several = Object.keys(loop.settings.planned).length > 1
  for (const plan of switchingPlans(loop.settings.planned))
    for (const { id, fact, label, value, quantity, decimals } of consequences(plan, context))
      if (value !== null && (id === 'on' || id === 'off' || id === 'worst'))
        lines.push([several ? `${label}, ${plan.output.port}` : label, words.say(value, quantity, decimals), fact])
  return lines
}

/** Isolating, the dead tests and first live as they were recorded; what failed forbids energising, in so many words. */
function safetyLines(context: LoopContext): Block[] {
  const { steps, failed, shutBy } = safetyBlocks(context)
  const all = [...steps.isolate, ...steps.dead, ...steps.live]
  if (all.length === 0) return []
  const read = all.filter(({ verdict }) => verdict !== 'waiting')
  const open = steps.live.length > 0 && shutBy.length > 0
  return [
    heading('Isolated, proved dead, first live'),
    ...(failed.length > 0
      ? [
          t('NOT PROVED, DO NOT ENERGISE', { bold: true, fontSize: 14, margin: [0, 2, 0, 2] }),
          ...failed.map(({ title, cause = '' }) => t(`${title}: ${cause}`, { margin: [0, 0, 0, 3] })),
        ]
      : open
        ? [
            t(`Not proved dead yet, do not energise: ${shutBy.length} steps wait.`, {
              bold: true,
              margin: [0, 2, 0, 4],
            }),
          ]
        : []),
    ...(read.length === 0
      ? []
      : [
          table(
            [60, '*', 150, 60, 56, 110],
            ['block', 'step', 'should', 'read', '', 'by, when'],
            read.map(({ block, title, should, reading, answer, ask, verdict }) => {
              const by = reading ?? answer
              return [
                blockTitles[block],
                title,
                should,
                reading
                  ? `${shown(reading)}${reading.state === 'value' ? ` ${reading.unit}` : ''}`
                  : answer
                    ? answer.answer
                    : ask.kind === 'rows'
                      ? 'in the list'
                      : '',
                verdict === 'good' ? 'good' : verdict === 'stop' ? 'failed' : 'look again',
                by ? `${by.by}, ${shownMoment(by.at, context.job.zone)}` : '',
              ]
            }),
          ),
        ]),
  ]
}
const blockTitles = { isolate: 'isolate', dead: 'dead test', live: 'first live' } as const

/** Two label-and-figure pairs to a row. */
const pairs = (lines: readonly SheetLine[]) =>
  Array.from({ length: Math.ceil(lines.length / 2) }, (_, i) =>
    [lines[2 * i]!, lines[2 * i + 1] ?? (['', ''] as const)].flatMap(([label, says, fact]) => [
      label,
      fact === undefined ? says : t(says, { fact }),
    ]),
  )

const stepVerdicts = {
  waiting: '',
  fits: 'good',
  look: 'not so',
  'cannot-tell': 'cannot tell',
} as const

/** Every test that was begun, with its readings, what they were read with and what came of it; then what was not made. */
function testBlocks(context: LoopContext): Block[] {
  const { words, loop } = context
  const tests = proofTests(context)
  const made = tests.filter(({ steps, past }) => past.length > 0 || steps.some(({ main }) => main.reading))
  const open = tests.filter((test) => !made.includes(test) && !test.spare)
  return [
    ...made.flatMap((test) => [
      heading(`Test: ${test.title.toLowerCase()}, ${test.about}`),
      ...test.past.map(({ attempt, head, by, at }) =>
        t(`Attempt ${attempt}: ${head}. ${by}, ${shownMoment(at, context.job.zone)}`, { margin: [0, 0, 0, 2] }),
      ),
      table(
        ['*', 104, 84, 50, 92, 104],
        ['step', 'should', 'read', '', 'with', 'by, when'],
        test.steps
          .flatMap((step) => [
            { title: step.title, state: step.main },
            ...step.asides
              .filter(({ reading }) => reading)
              .map((state) => ({ title: `${step.title}: ${state.ask.label.toLowerCase()}`, state })),
          ])
          .filter(({ state }) => state.reading)
          .map(({ title, state }) => [
            title,
            shouldText(state.ask, words),
            readText(state),
            stepVerdicts[state.verdict],
            state.instrument === undefined ? '' : `${state.instrument}${state.outOfDate ? ', check was due' : ''}`,
            state.reading ? `${state.reading.by}, ${shownMoment(state.reading.at, context.job.zone)}` : '',
          ]),
      ),
      t(`${test.result.head}. ${test.result.reason}${test.result.verdict === 'good' ? '' : ` ${test.result.next}`}`, {
        bold: true,
        margin: [0, 0, 0, 8],
      }),
    ]),
    ...(open.length === 0
      ? []
      : [
          heading('Tests that were not made'),
          ...open.map((test) => {
            const left = loop.proof.skipped?.[test.id]
            return t(`${test.title}, ${test.about}: ${left ? `left out by ${left.by}: ${left.reason}` : 'waits.'}`, {
              margin: [0, 0, 0, 2],
            })
          }),
        ]),
  ]
}

/**
 * The as-left sheet of a loop: what it is, what fits, what is keyed, what was measured, what is open. It only renders what
 * core derives; its last line carries the hash of the log so that a copy can be held against the record.
 */
export function asLeftSheet(context: LoopContext, stamp: Stamp): object {
  const { job, loop, chain, judgedConnections, rows, words } = context
  const { open, closed } = checkLoop(context)
  const { signed } = loop.handover
  const blocked = signingBlockedBy(context)
  const connection = (id: string) => chain.connections.find((c) => c.id === id)
  const ticked = hazards.filter(({ id }) => loop.survey.hazards[id])
  const content: Block[] = [
    t('As-left sheet', { style: 'title' }),
    t(`${loop.name}, ${job.name}${job.place ? `, ${job.place}` : ''}`, { style: 'lead' }),
    t(
      signed
        ? `Signed ${shownDay(signed.at, context.job.zone)} by ${signed.by}, measured with ${signed.instrument}.`
        : `Not signed. ${blocked.length} point${blocked.length === 1 ? ' keeps' : 's keep'} it open.`,
      { bold: true, margin: [0, 0, 0, 8] },
    ),
    heading('What it must hold'),
    table(['*', 110, '*', 110], [], pairs(surveyLines(context))),
    ...(loop.survey.complaint
      ? [t(`In the owner\u2019s words: ${loop.survey.complaint}`, { margin: [0, 0, 0, 6] })]
      : []),
    heading('Chain'),
    table(
      [70, '*', 170],
      ['designation', 'device', 'place, dial'],
      chain.devices.map((d) => [
        d.tag,
        `${d.name}, ${words.tell(d.facts.summary)}`,
        [d.place, d.dialC === undefined ? undefined : `dial at ${words.say(d.dialC, 'temperature', 0)}`]
          .filter(Boolean)
          .join(', '),
      ]),
    ),
    table(
      [70, 70, '*'],
      ['connection', 'verdict', 'reason'],
      judgedConnections.map((j) => [
        `${connection(j.connection)?.fromDevice.tag ?? ''} \u2192 ${connection(j.connection)?.toDevice.tag ?? ''}`,
        verdictWords[j.verdict] ?? j.verdict,
        j.reason,
      ]),
    ),
  ]
  for (const { device: controller, rows: parameters } of keyingSheet(context))
    content.push(
      heading(`Keyed on ${controller.tag} ${controller.name}`),
      table(
        [44, '*', 60, 60, 60, 34, 100],
        ['code', 'name', 'planned', 'as found', 'as left', 'unit', ''],
        parameters.map((p) => [
          p.code,
          p.name,
          p.planned,
          shown(p.asFound),
          shown(p.asLeft),
          p.unit,
          p.agrees === undefined
            ? 'not keyed'
            : p.agrees
              ? 'as planned'
              : p.asLeft?.why
                ? `differs: ${p.asLeft.why}`
                : 'differs',
        ]),
      ),
    )
  content.push(...testBlocks(context))
  content.push(
    heading('Wires'),
    table(
      [20, 48, 50, 110, 40, 40, 34, 30, 44, '*'],
      ['no.', 'from', 'to', 'core', 'length', 'label', 'landed', 'ohm', 'tested', 'note'],
      rows.map((row) => {
        const state = loop.wiring.rows[row.id]
        const { verdict, sizeMm2 } = judgeRow(context, row)
        return [
          String(row.number),
          `${row.from.tag} ${row.from.label}`,
          `${row.to.tag} ${row.to.label}`,
          `${row.conductor.colourName}, ${sizeWords(job.practice, sizeMm2)}`,
          state?.lengthM === undefined ? '' : words.say(state.lengthM, 'length'),
          state?.label ?? String(row.number),
          state?.landed ? 'yes' : 'no',
          shown(state?.tested),
          verdict === 'fits' ? 'good' : verdict === 'stop' ? 'failed' : 'not tested',
          state?.note ?? '',
        ]
      }),
    ),
    ...safetyLines(context),
    heading('Open'),
    ...(open.length === 0
      ? [t('No findings.', { margin: [0, 0, 0, 8] })]
      : open.map((f) =>
          t(`${verdictWords[f.severity] ?? f.severity}: ${f.head} ${f.reason} ${f.remedy}`, { margin: [0, 0, 0, 3] }),
        )),
    ...closed.map((f) => {
      const w = loop.waivers[`${f.code}/${f.about}`]
      return t(`Closed by ${w?.by ?? ''}: ${f.head} ${w?.reason ?? ''}`, { margin: [0, 0, 0, 3] })
    }),
    ...(signed ? [] : blocked.map((line) => t(`Keeps hand-over open: ${line}`, { margin: [0, 0, 0, 3] }))),
  )
  const { ticks = {}, retest } = loop.handover
  content.push(
    heading('Handed over with it'),
    ...Object.entries(handoverTicks).map(([id, title]) => {
      const tick = ticks[id]
      return t(
        `${tick ? '[x]' : '[ ]'} ${title}${tick ? `, ${tick.by}, ${shownDay(tick.at, context.job.zone)}` : ''}`,
        {
          margin: [0, 0, 0, 2],
        },
      )
    }),
    ...(retest ? [t(`Next test: ${retest}.`, { margin: [0, 0, 0, 2] })] : []),
  )
  if (stamp.since && stamp.since.length > 0)
    content.push(heading('Since hand-over'), ...stamp.since.map((line) => t(line, { margin: [0, 0, 0, 2] })))
  if (ticked.length > 0)
    content.push(heading('Cautions'), ...ticked.map(({ caution }) => t(words.tell(caution), { margin: [0, 0, 0, 3] })))
  content.push(
    t('Local code, the makers\u2019 leaflets and the licensed trades come first.', {
      margin: [0, 8, 0, 0],
      color: INK2,
    }),
  )
  return sheet(context, 'As-left sheet', content, stamp, { step: 'hand-over' })
}
