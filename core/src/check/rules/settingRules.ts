import { answersOf } from '../../kinds/answersOf'
import { tenfold } from '../../numeric/tenfold'
import { fieldValue } from '../../plant/fieldValue'
import { keyingSheet } from '../../commissioning/keyingSheet'
import { parameterView } from '../../device/parameterView'
import { limitersOf } from '../../wiring/protections'
import { lineOfOutput } from '../../wiring/outputPath'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { bandView } from '../../settings/band/bandView'
import { ownerView } from '../../settings/owner/ownerView'
import { eachPlan, lookAgain, note, type Rule } from './rule'

const controllers = ({ chain }: LoopContext) => chain.devices.filter(({ facts }) => facts.controller !== undefined)

/** What the plan asks for and the controller does not take. */
const canBeKeyed: Rule = (context) =>
  keyingSheet(context).flatMap(({ device, rows }) =>
    rows.flatMap(({ code, name, beyond }): Found[] =>
      beyond === undefined
        ? []
        : [
            lookAgain(
              'C095_CANNOT_BE_KEYED',
              { about: `${device.id}/${code}`, figures: { name, tag: device.tag, beyond } },
              'set',
            ),
          ],
    ),
  )

/** A figure as a display shows it; NaN for what is none. */
const shownNumber = (text: string) => (text.trim() === '' ? NaN : Number(text.replace('\u2212', '-').replace(',', '.')))

/** Left other than planned, and nobody said why. */
const leftOtherwise: Rule = (context) => {
  if (Object.keys(context.loop.settings.asLeft).length === 0) return []
  return keyingSheet(context).flatMap(({ device, rows }) =>
    rows.flatMap(({ code, name, planned, unit, asLeft, agrees }): Found[] => {
      if (agrees !== false || asLeft?.why !== undefined) return []
      const left = asLeft?.text ?? ''
      const turned = device.facts.controller?.parameters[code]?.binds === 'action'
      const slipped = tenfold(shownNumber(left), shownNumber(planned))
      return [
        lookAgain(
          'C097_LEFT_OTHERWISE',
          {
            about: `${device.id}/${code}`,
            figures: {
              name,
              planned,
              unit,
              left,
              ...(slipped === undefined ? {} : { slipped }),
              ...(turned ? { turned } : {}),
            },
          },
          'set',
        ),
      ]
    }),
  )
}

/** A band that the display cannot tell, that never gets there, or that beats a contactor to death. */
const bandWorks = eachPlan((plan, context) => {
  if (plan.kind !== 'band') return []
  const { chain, data, job, loop, words } = context
  const found: Found[] = []
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const setpoint = controller && Object.values(controller.parameters).find(({ binds }) => binds === 'setpoint')
  const view = controller && setpoint && parameterView(setpoint, controller, job)
  const stepK = view ? Math.abs(view.toSi(view.step) - view.toSi(0)) : 0
  const leastK = fieldValue(data, 'resolve.swing').low * stepK
  const wider = stepK > 0 ? Number((Math.ceil(leastK / stepK - 1e-6) * stepK).toPrecision(9)) : leastK
  if (plan.bandK < leastK - 1e-9)
    found.push(
      lookAgain(
        'C119_BAND_UNDER_RESOLUTION',
        {
          about: plan.id,
          figures: { bandK: plan.bandK, stepK },
          fix: {
            ...{ do: 'setting', plan: plan.id, setting: 'bandK', value: wider },
            say: `Plan a band of ${words.say(wider, 'difference')}`,
          },
        },
        'set',
      ),
    )
  const { rest } = bandView(context, plan)
  const tolerance = answersOf(loop)['tolerance']
  if (rest && typeof tolerance === 'number' && Math.abs(rest.offsetK) > tolerance)
    found.push(
      lookAgain(
        'C120_BAND_SETTLES_AWAY',
        {
          about: plan.id,
          figures: {
            settlesC: rest.settlesC,
            offsetK: rest.offsetK,
            tolerance,
            saturated: rest.saturated,
          },
        },
        'set',
      ),
    )
  const line = lineOfOutput(chain, plan.output)
  const contactor = line?.contacts.find(
    ({ device, port }) => device.id !== plan.output.device && device.facts.category === 'relay' && !port.solidState,
  )
  const { low: leastS, typical: usualS } = fieldValue(data, 'cycle.contactor')
  if (plan.cycleS !== undefined && contactor && plan.cycleS < leastS)
    found.push(
      lookAgain(
        'C121_CYCLE_TIME_SHORT',
        {
          about: plan.id,
          figures: {
            tag: contactor.device.tag,
            cycleS: plan.cycleS,
            leastS,
          },
          fix: {
            ...{ do: 'plan', plan: plan.id, change: { cycleS: usualS } },
            say: `Plan a cycle of ${words.say(usualS, 'seconds')}`,
          },
        },
        'set',
      ),
    )
  return found
})

/** Heating that fails on a fixed share, and what holds it then. */
const dutyGuarded = eachPlan((plan, { chain }) => {
  if (plan.probeFault !== 'duty' || plan.action !== 'heating' || (plan.dutyPercent ?? 0) <= 50) return []
  const line = lineOfOutput(chain, plan.output)
  if (line && limitersOf(chain, line).length > 0) return []
  return [lookAgain('C122_DUTY_LARGE', { about: plan.id, figures: { dutyPercent: plan.dutyPercent! } }, 'set')]
})

const ownerLimited: Rule = (context) =>
  controllers(context).flatMap((device): Found[] => {
    const view = ownerView(context, device)
    const set = view?.rows.find(({ note: why, may }) => may && why?.startsWith('No limit'))
    return set
      ? [note('C118_OWNER_UNLIMITED', { about: device.id, figures: { tag: device.tag, name: set.name } }, 'set')]
      : []
  })

/** Rules about the instruments of Set and the keying sheet. */
export const settingRules: readonly Rule[] = [bandWorks, dutyGuarded, canBeKeyed, leftOtherwise, ownerLimited]
