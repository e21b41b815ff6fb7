import type { LoopContext } from '@nachtigal/core/loop/context'
import { faultView, faultTitle } from '@nachtigal/core/settings/fault/faultView'
import { ownerView, type OwnerRow } from '@nachtigal/core/settings/owner/ownerView'
import { plansOf } from '@nachtigal/core/settings/behaviour'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { boundTo } from '@nachtigal/core/device/bound'
import { hazards } from '@nachtigal/core/kinds/hazards'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import { type Block, heading, INK, sheet, type Stamp, t, table } from './sheetParts'

/** Controllers that give an output of this loop. */
const controllersOf = ({ chain, loop }: LoopContext): ResolvedDevice[] => {
  const plans = plansOf(loop.settings.planned)
  return chain.devices.filter(({ id, facts }) => facts.controller && plans.some(({ output }) => output.device === id))
}

/** What the display shows that is no temperature, and what to do then. */
function alarmLines(context: LoopContext): (readonly [string, string])[] {
  const { words } = context
  const lines = controllersOf(context).flatMap((device): (readonly [string, string])[] => {
    const { open, short } = device.facts.controller!.faultDisplay
    const plan = plansOf(context.loop.settings.planned).find(({ output }) => output.device === device.id)!
    // What has no alarm of its own tells none, whatever is planned.
    const tells =
      boundTo(device.facts.controller!, 'alarmHigh') !== undefined ||
      Object.values(device.facts.ports).some((port) => port.kind === 'contact' && port.role === 'alarm')
    const does = faultTitle(plan.probeFault).toLowerCase()
    const codes = [...new Set([open, short])].filter((code) => code !== '' && code !== 'none')
    return [
      ...codes.map(
        (code) => [`${device.name} shows ${code}`, `Its probe is broken; meanwhile: ${does}. Call.`] as const,
      ),
      ...(!tells || plan.alarmHighC === undefined
        ? []
        : [
            [
              `${device.name} tells an alarm`,
              `Over ${words.say(plan.alarmHighC, 'temperature')}: look whether a door stands open or the plant is off; still so after an hour, call.`,
            ] as const,
          ]),
      ...(!tells || plan.alarmLowC === undefined
        ? []
        : [[`${device.name} tells a low alarm`, `Under ${words.say(plan.alarmLowC, 'temperature')}: call.`] as const]),
    ]
  })
  const limiter = context.chain.devices.find(({ facts }) => facts.limiter?.reset === 'manual')
  return [
    ...lines,
    ...(limiter
      ? [
          [
            `${limiter.name} has opened`,
            'It protects against overheating. Do not reset it: call. It is reset once its cause is found.',
          ] as const,
        ]
      : []),
    [
      'Smell of gas or burning, smoke',
      'Switch off at the main switch if it is safe, out, call the emergency number.',
    ] as const,
  ]
}

const rangeOf = ({ name, planned, range }: OwnerRow) => [name, planned, range ?? 'as you like'] as const

function touchable(context: LoopContext): OwnerRow[] {
  return controllersOf(context).flatMap((device) => ownerView(context, device)?.rows.filter(({ may }) => may) ?? [])
}

const calls = ({ loop }: LoopContext) => loop.handover.call ?? '........................................'

/** Size of the card in points: fits a pocket and a panel door, and laminates. */
const CARD = { width: 297.64, height: 419.53 }

/** The panel card: what the owner may touch, what an alarm means, whom to call. On a small page. */
export function panelCard(context: LoopContext, stamp: Stamp): object {
  const { loop, job } = context
  return sheet(
    context,
    'Panel card',
    [
      t(loop.name, { font: 'Barlow', fontSize: 20 }),
      t(`${job.name}${job.place ? `, ${job.place}` : ''}. ${kindFacts[loop.kind].title}.`, { margin: [0, 0, 0, 4] }),
      heading('You may turn'),
      ...(touchable(context).length === 0
        ? [t('Nothing: leave it as it is.')]
        : [
            table(
              ['*', 62, 74],
              ['what', 'left at', 'from, to'],
              touchable(context).map((row) => [...rangeOf(row)]),
            ),
          ]),
      heading('When it tells something'),
      table(
        ['auto', '*'],
        [],
        alarmLines(context).map((line) => [...line]),
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
      defaultStyle: { font: 'B612', fontSize: 7.5, lineHeight: 1.2, color: INK },
      styles: {
        section: { font: 'Barlow', fontSize: 12, margin: [0, 6, 0, 1] },
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

/** The owner's page: what it does, what may be touched, alarms, cautions, next test, whom to call; in plain words. */
export function ownersPage(context: LoopContext, stamp: Stamp): object {
  const { loop, job, words, survey } = context
  const plans = plansOf(loop.settings.planned)
  const ticked = hazards.filter(({ id }) => loop.survey.hazards[id])
  const mayNot = controllersOf(context).flatMap((device) => ownerView(context, device)?.mayNot ?? [])
  const content: Block[] = [
    t(loop.name, { style: 'title' }),
    t(`${job.name}${job.place ? `, ${job.place}` : ''}. For whoever lives with it.`, { style: 'lead' }),
    heading('What it does'),
    ...plans.map((plan) =>
      t(
        plan.kind === 'on-off'
          ? `${plan.action === 'heating' ? 'Heats' : 'Cools'}: on at ${words.say(plan.onC, 'temperature')}, off at ${words.say(plan.offC, 'temperature')}.`
          : plan.kind === 'band'
            ? `${plan.action === 'heating' ? 'Heats' : 'Cools'} a little or a lot about ${words.say(plan.setpointC, 'temperature')}.`
            : `Moves air: faster over ${words.say(plan.setpointC, 'temperature')}${plan.humidityPercent === undefined ? '' : ` or over ${words.say(plan.humidityPercent, 'percent')} humidity`}, never under ${plan.minimumPercent === 'off' ? 'standing' : words.say(plan.minimumPercent, 'percent')}.`,
        { margin: [0, 0, 0, 2] },
      ),
    ),
    ...(survey
      ? [t(`It is made to hold ${words.say(survey.seen.targetC, 'temperature')}.`, { margin: [0, 2, 0, 0] })]
      : []),
    heading('What you may turn'),
    ...(touchable(context).length === 0
      ? [t('Nothing: leave it as it is.')]
      : [
          table(
            ['*', 90, 110, 170],
            ['what', 'left at', 'from, to', ''],
            touchable(context).map((row) => [...rangeOf(row), row.meaning]),
          ),
        ]),
    ...(mayNot.length === 0 ? [] : [t(`For the fitter alone: ${mayNot.join(', ')}.`, { margin: [0, 0, 0, 4] })]),
    heading('When it tells something'),
    table(
      [180, '*'],
      ['you see', 'it means, you do'],
      alarmLines(context).map((line) => [...line]),
    ),
    heading('When its probe breaks'),
    ...plans.map((plan) => {
      const choice = faultView(context, plan).choices.find(({ fault }) => fault === plan.probeFault)
      return t(`${faultTitle(plan.probeFault)}: ${choice?.says ?? ''}`, { margin: [0, 0, 0, 2] })
    }),
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
