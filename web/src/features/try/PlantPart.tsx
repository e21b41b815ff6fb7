import { useAct } from '../../loop/useAct'
import { setPlantValue } from '@nachtigal/core/actions/setPlantValue'
import { answerQuestions } from '@nachtigal/core/actions/answerQuestions'
import { askedQuestions } from '@nachtigal/core/survey/surveyResult'
import { loopPlant } from '@nachtigal/core/simulate/loop/loopPlant'
import { formatQuantity } from '@nachtigal/core/units/quantity'
import { trialRecord } from '@nachtigal/core/document/fields/loopFields'
import { useMemo } from 'react'
import { useLoop } from '../../loop/loopContext'
import { figureSources } from '@nachtigal/core/survey/figureSources'
import { FactsDialog } from '../../loop/FactsDialog'
import { NumberField } from '../../design/NumberField'
import { RunMeaning } from './RunMeaning'

/** Every value that the plant is made of, with its range and where it comes from, open to change. */
export function PlantPart() {
  const inHand = useLoop()
  const { loop, survey, data, preferences } = inHand
  const act = useAct()
  const plant = useMemo(() => (survey ? loopPlant(loop, survey, data) : undefined), [loop, survey, data])
  if (!survey || !plant) return null
  const questions = askedQuestions(loop).flatMap((question) => (question.ask === 'number' ? [question] : []))
  const figures = questions.flatMap((question) => {
    const figure = survey.figures[question.id]
    return figure ? [{ question, figure }] : []
  })
  const answered = (id: string, value: number | undefined) =>
    act(answerQuestions, value === undefined ? { answers: {}, none: [id] } : { answers: { [id]: value } })
  const changed = (id: string, value: number | undefined) =>
    act(setPlantValue, { row: id, ...(value === undefined ? {} : { value }) })
  return (
    <div className="work">
      <div className="try-main overflow-auto" tabIndex={0} role="region" aria-label="Values of the plant">
        <h2 className="h2">The plant as it is run</h2>
        <p className="text-ink2">
          What is changed here of the survey is answered there too. Empty a field to go back to the estimate.
        </p>
        <FactsDialog />
        <table className="plant-table" aria-label="Values of the plant">
          <thead>
            <tr>
              <th scope="col">Value</th>
              <th scope="col">Taken</th>
              <th scope="col">Low to high</th>
              <th scope="col">From</th>
            </tr>
          </thead>
          <tbody>
            {figures.map(({ question, figure }) => (
              <tr key={question.id} data-value={question.id}>
                <th scope="row">{question.title}</th>
                <td>
                  <NumberField
                    label={question.title}
                    draftKey={`${loop.id}/plant/${question.id}`}
                    value={figure.value}
                    fact={question.id}
                    quantity={question.quantity}
                    preferences={preferences}
                    low={question.low}
                    high={question.high}
                    onCommit={(value) => answered(question.id, value)}
                  />
                </td>
                <td>
                  {figure.low !== undefined && figure.high !== undefined
                    ? `${formatQuantity(figure.low, question.quantity, preferences).split('\u00a0')[0]} to ${formatQuantity(figure.high, question.quantity, preferences)}`
                    : 'known'}
                </td>
                <td>
                  <b>{figureSources[figure.source]}</b> <span className="small text-ink2">{figure.why}</span>
                </td>
              </tr>
            ))}
            {plant.rows.map((row) => (
              <tr key={row.id} data-value={row.id}>
                <th scope="row">{row.what[0]!.toUpperCase() + row.what.slice(1)}</th>
                <td>
                  <NumberField
                    label={row.what}
                    draftKey={`${loop.id}/plant/${row.id}`}
                    value={row.value}
                    field={trialRecord.fields.plant.of}
                    preferences={preferences}
                    high={row.high * 20}
                    onCommit={(value) => changed(row.id, value)}
                  />
                </td>
                <td>
                  {row.low} to {row.high} {row.unit}
                </td>
                <td>
                  <b>{row.changed ? 'changed' : 'estimate'}</b> <span className="small text-ink2">{row.source}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <RunMeaning />
    </div>
  )
}
