import type { Asked, Estimate, SurveyFigure } from '../kinds/asked'
import type { ResolvedChain } from '../document/chain'
import type { Answer } from '../kinds/answers'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import type { Effect } from '../choices/deviceChoices'

/** What the loads of a chain give together, by what they do, W. */
function chainPowerW(chain: ResolvedChain, effects: readonly Effect[]): number {
  return chain.devices.reduce((sum, { facts }) => {
    const given = Object.values(facts.ports).flatMap((port) =>
      'does' in port && effects.includes(port.does)
        ? [port.givesW ?? (port.kind === 'load' && port.does === 'element' ? port.load.powerW : 0)]
        : [],
    )
    // A device that can be called in two ways gives its heat once.
    const calls = Object.values(facts.ports).filter(({ kind }) => kind === 'contact-in' || kind === 'signal-in').length
    return (
      sum +
      (calls > 0 && facts.category === 'load' && given.length > calls
        ? Math.max(...given)
        : given.reduce((a, b) => a + b, 0))
    )
  }, 0)
}

/** Answers of a survey with what stands in for those that are missing, each with its range and source. */
export function askedOf(answers: Readonly<Record<string, Answer>>, chain: ResolvedChain, data: FieldData): Asked {
  const figures: Record<string, SurveyFigure> = {}
  const put = (id: string, figure: SurveyFigure) => (figures[id] = figure).value
  const take = (id: string, estimate: Estimate) => {
    const given = answers[id]
    return put(
      id,
      typeof given === 'number'
        ? { value: given, source: 'answer', why: 'answered on site' }
        : { ...estimate, source: 'estimate' },
    )
  }
  return {
    data,
    chain,
    figures,
    number: (id) => Number(answers[id]),
    choice: (id, options, otherwise) => options.find((option) => option === answers[id]) ?? otherwise,
    take,
    typical: (id, row, scale = 1) => {
      const { what, low, typical, high, source } = fieldValue(data, row)
      return take(id, {
        value: typical * scale,
        low: low * scale,
        high: high * scale,
        why: `starting value: ${what} (${source})`,
      })
    },
    power: (id, effects, estimate, alsoW = 0) => {
      const fromChain = chainPowerW(chain, effects) + alsoW
      if (typeof answers[id] !== 'number' && fromChain > 0)
        return put(id, { value: fromChain, source: 'chain', why: 'nameplates of the chosen loads together' })
      return take(id, estimate)
    },
  }
}
