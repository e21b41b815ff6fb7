import { answersOf } from '../kinds/answersOf'
import { resolveChain, type ResolvedChain } from '../document/chain'
import { dutyOf } from '../device/duty'
import type { Effect } from '../choices/deviceChoices'
import type { FieldData } from '../plant/fieldValue'
import { setDevice } from '../wiring/chainEdit'
import type { Edited } from '../wiring/edited'
import type { Nameplate } from '../device/withNameplate'
import { platesFor, readsPlate, withoutPower } from './plates'
import { surveyResult } from './surveyResult'

/** Plates that differ from the survey by less than this share say the same. */
const SAME_POWER = 0.005

const answeredOf = ({ loop }: Edited) => {
  const { power } = answersOf(loop)
  return typeof power === 'number' ? power : undefined
}
const loadsOf = (chain: ResolvedChain, effects: readonly Effect[]) =>
  chain.devices.filter((device) => !device.shared && dutyOf(device.facts, effects) > 0)

/** Whether nobody has read another power on the loads' plates than the survey's. */
function followed(chain: ResolvedChain, effects: readonly Effect[], answeredW: number | undefined, alsoW: number) {
  const loads = loadsOf(chain, effects)
  const read = loads.filter(readsPlate)
  if (read.length === 0) return true
  if (answeredW === undefined || read.length < loads.length) return false
  const platesW = loads.reduce((sum, { facts }) => sum + dutyOf(facts, effects), alsoW)
  return Math.abs(platesW - answeredW) <= SAME_POWER * answeredW
}

/**
 * Writes the power that the survey answers onto the plates of the loads that are there, when a load comes or goes or the answer changes: the
 * shelf's entry is only what is usual. With the answer they are taken off again. Plates on which another power was read stay as they are; that is a finding then.
 */
export function takeOverPower(before: Edited, after: Edited, data: FieldData): Edited {
  const answeredW = answeredOf(after)
  const beforeW = answeredOf(before)
  if (answeredW === undefined && beforeW === undefined) return after
  const chains = [before, after].map(({ job, loop }) => resolveChain(job, loop.chain))
  const [was, is] = [chains[0]!, chains[1]!]
  const outcome = surveyResult(after.loop, is, data)
  const told = outcome.ok ? outcome.survey.figures['power']?.told : undefined
  if (!told) return after
  const listed = (chain: ResolvedChain) =>
    loadsOf(chain, told.effects)
      .map(({ id, profile }) => `${id} ${profile}`)
      .join()
  if (listed(was) === listed(is) && beforeW === answeredW) return after
  if (!followed(was, told.effects, beforeW, told.alsoW)) return after
  const put = (plates: Readonly<Record<string, Nameplate>>) =>
    Object.entries(plates).reduce((next, [id, nameplate]) => setDevice(next, id, { nameplate }), after)
  if (answeredW === undefined)
    return put(Object.fromEntries(loadsOf(is, told.effects).map(({ id, nameplate }) => [id, withoutPower(nameplate)])))
  return answeredW > told.alsoW ? put(platesFor(is, told.effects, answeredW - told.alsoW)) : after
}
