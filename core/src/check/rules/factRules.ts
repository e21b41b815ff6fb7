import { dutyOf } from '../../device/duty'
import { platesFor } from '../../survey/plates'
import { lookAgain, type Rule } from './rule'

/** Plates that differ from the survey by less are one power: elements are made so. */
const SAME_SHARE = 0.1

/** A power that the survey and the plates of the loads tell otherwise. */
const powersAgree: Rule = ({ survey, chain, words }) => {
  const figure = survey?.figures['power']
  const told = figure?.told
  if (!figure || told?.answeredW === undefined || told.platesW === undefined) return []
  const { answeredW, platesW, effects, alsoW } = told
  if (Math.abs(platesW - answeredW) <= SAME_SHARE * answeredW) return []
  const loads = chain.devices.filter(({ facts }) => dutyOf(facts, effects) > 0)
  const plates = platesFor(chain, effects, Math.max(0, answeredW - alsoW))
  const tags = loads.map(({ tag }) => tag)
  // What counts is made the other's too.
  const byPlates = figure.source === 'nameplate'
  return [
    lookAgain(
      'C143_POWERS_DIFFER',
      {
        about: 'power',
        figures: { answeredW, measured: figure.source === 'measured', platesW, tags, countsW: figure.value },
        fix: byPlates
          ? {
              ...{ do: 'answer', question: 'power', value: platesW },
              say: `Take ${words.say(platesW, 'power')} into the survey`,
            }
          : {
              ...{ do: 'plates', plates },
              say: `Write ${words.say(answeredW, 'power')} on the ${tags.length > 1 ? 'plates' : 'plate'} of ${tags.join(' and ')}`,
            },
      },
      'match',
    ),
  ]
}

/** Rules about figures that have more than one source. */
export const factRules: readonly Rule[] = [powersAgree]
