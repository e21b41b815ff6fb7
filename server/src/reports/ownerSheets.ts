import type { LoopContext } from '@nachtigal/core/loop/context'
import { faultView, faultTitle } from '@nachtigal/core/settings/fault/faultView'
import { ownerTells, type OwnerTells, type OwnerTurn } from '@nachtigal/core/settings/owner/ownerTells'
import { plansOf } from '@nachtigal/core/settings/behaviour'
import { hazards } from '@nachtigal/core/kinds/hazards'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import { type Block, heading, INK, sheet, type Stamp, t, table } from './sheetParts'

const rangeOf = ({ name, planned, range }: OwnerTurn) => [name, planned, range] as const

/** What may be turned, from where to where, and how. */
function turning(
  { turns, how }: OwnerTells,
  widths: readonly (string | number)[],
  meanings: boolean,
  spaced?: { readonly below: number },
): Block[] {
  if (turns.length === 0) return [t('Nothing: leave it as it is.')]
  return [
    table(
      [...widths],
      ['what', 'left at', 'from, to', ...(meanings ? [''] : [])],
      turns.map((row) => [...rangeOf(row), ...(meanings ? [row.meaning] : [])]),
      spaced,
    ),
    ...how.map((said) => t(said, { margin: [0, 2, 0, 0] })),
  ]
}

/** Three outdoor temperatures with their water, and stages with their points: tables where there is one. */
function lineAndStages({ line, stages }: OwnerTells, spaced?: { readonly below: number }): Block[] {
  return [
    ...(line.length === 0
      ? []
      : [
          table(
            ['auto', ...line.map(() => '*')],
            ['outdoors', ...line.map(({ outdoor }) => outdoor)],
            [['the water', ...line.map(({ water }) => water)]],
            spaced,
          ),
        ]),
    ...(stages.length === 0
      ? []
      : [
          table(
            ['auto', ...stages.map(() => '*')],
            ['', ...stages.map(({ tag }) => tag)],
            [
              ['on at', ...stages.map(({ on }) => on)],
              ['off at', ...stages.map(({ off }) => off)],
            ],
            spaced,
          ),
        ]),
  ]
}

const calls = ({ loop }: LoopContext) => loop.handover.call ?? '........................................'

/** Under the tables of a card: it is one page, whatever it tells. */
const TIGHT = { below: 2 }

/** Size of the card in points: fits a pocket and a panel door, and laminates. */
const CARD = { width: 297.64, height: 419.53 }

/** The panel card: what the owner may touch, what an alarm means, whom to call. On a small page. */
export function panelCard(context: LoopContext, stamp: Stamp): object {
  const { loop, job } = context
  const tells = ownerTells(context)
  return sheet(
    context,
    'Panel card',
    [
      t(loop.name, { font: 'Barlow', fontSize: 20 }),
      t(`${job.name}${job.place ? `, ${job.place}` : ''}. ${kindFacts[loop.kind].title}.`, { margin: [0, 0, 0, 4] }),
      ...(tells.line.length + tells.stages.length > 0
        ? [heading('What it does'), ...tells.does.slice(0, 1).map((said) => t(said)), ...lineAndStages(tells, TIGHT)]
        : []),
      heading('You may turn'),
      ...turning(tells, ['*', 62, 74], false, TIGHT),
      heading('When it tells something'),
      table(
        ['auto', '*'],
        [],
        tells.shows.map((line) => [...line]),
        TIGHT,
      ),
      heading('Call'),
      t(calls(context), { fontSize: 12, bold: true }),
      ...(loop.handover.signed
        ? [
            t(
              `Handed over ${shownDay(loop.handover.signed.at, context.job.zone)} by ${loop.handover.signed.by}.${loop.handover.retest ? ` Next test ${loop.handover.retest}.` : ''}`,
              { margin: [0, 4, 0, 0] },
            ),
          ]
        : [t('Not handed over yet.', { bold: true, margin: [0, 4, 0, 0] })]),
    ],
    stamp,
    {
      defaultStyle: { font: 'B612', fontSize: 7, lineHeight: 1.12, color: INK },
      styles: {
        section: { font: 'Barlow', fontSize: 11.5, margin: [0, 4, 0, 0] },
        head: { font: 'Barlow', fontSize: 8.5 },
      },
      footer: () =>
        t(`Printed ${shownDay(stamp.printedAt, context.job.zone)}. Record ${stamp.hash.slice(0, 12)}`, {
          fontSize: 6,
          margin: [22, 8, 22, 0],
        }),
      pageSize: CARD,
      pageMargins: [22, 22, 22, 34],
      background: (_: number, size: { width: number; height: number }) => ({
        // Cut along it: the laminate wants a margin.
        canvas: [{ type: 'rect', x: 8, y: 8, w: size.width - 16, h: size.height - 16, lineWidth: 0.7, lineColor: INK }],
      }),
    },
  )
}

/** What each controller does without its probe, by its name where there are several; what they do alike once. */
function probeBreaks(context: LoopContext): readonly string[] {
  const plans = plansOf(context.loop.settings.planned)
  const controllers = new Set(plans.map(({ output }) => output.device))
  const said = plans.map((plan) => {
    const choice = faultView(context, plan).choices.find(({ fault }) => fault === plan.probeFault)
    const name = context.chain.devices.find(({ id }) => id === plan.output.device)?.name
    return `${controllers.size > 1 && name ? `${name}, ` : ''}${faultTitle(plan.probeFault)}: ${choice?.says ?? ''}`
  })
  return [...new Set(said)]
}

/** The owner's page: what it does, what may be touched, alarms, cautions, next test, whom to call; in plain words. */
export function ownersPage(context: LoopContext, stamp: Stamp): object {
  const { loop, job, words } = context
  const tells = ownerTells(context)
  const ticked = hazards.filter(({ id }) => loop.survey.hazards[id])
  const content: Block[] = [
    t(loop.name, { style: 'title' }),
    t(`${job.name}${job.place ? `, ${job.place}` : ''}. For whoever lives with it.`, { style: 'lead' }),
    heading('What it does'),
    ...tells.does.map((said) => t(said, { margin: [0, 0, 0, 2] })),
    ...lineAndStages(tells),
    heading('What you may turn'),
    ...turning(tells, ['*', 90, 110, 170], true),
    ...(tells.mayNot.length === 0
      ? []
      : [t(`For the fitter alone: ${tells.mayNot.join(', ')}.`, { margin: [0, 4, 0, 4] })]),
    heading('When it tells something'),
    table(
      [180, '*'],
      ['you see', 'it means, you do'],
      tells.shows.map((line) => [...line]),
    ),
    heading('When its probe breaks'),
    ...probeBreaks(context).map((said) => t(said, { margin: [0, 0, 0, 2] })),
    ...(ticked.length === 0
      ? []
      : [heading('Mind'), ...ticked.map(({ caution }) => t(words.tell(caution), { margin: [0, 0, 0, 3] }))]),
    heading('Whom to call'),
    t(calls(context), { fontSize: 13, bold: true }),
    t(loop.handover.retest ? `Next test: ${loop.handover.retest}.` : 'Next test: no day is written down.', {
      margin: [0, 6, 0, 0],
    }),
  ]
  return sheet(context, 'Owner\u2019s page', content, stamp)
}
