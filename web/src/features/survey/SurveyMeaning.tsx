import type { Quantity } from '@nachtigal/core/units/quantity'
import type { CalcCall } from '@nachtigal/core/kinds/asked'
import { useLoop } from '../../loop/loopContext'
import { FactsDialog } from '../../loop/FactsDialog'
import { Worked } from '../../loop/Worked'

/** Loss, store and what follows from them, each opened to its sum. */
export function SurveyMeaning() {
  const { survey, missing, words } = useLoop()
  if (!survey)
    return (
      <p className="text-ink2">
        Still to find out: {missing.map((title) => words.local(title.toLowerCase())).join(', ')}. Then load, heat stored
        and power are estimated here.
      </p>
    )
  const { figures, lines } = survey
  const line = (fact: string, kept: string, value: number, quantity: Quantity, worked: CalcCall | undefined) => {
    const label = words.local(kept)
    return (
      <div className="contents" key={label}>
        <dt>{label}</dt>
        <dd data-fact={fact}>
          {worked ? (
            <Worked label={label} text={words.say(value, quantity)} call={worked} />
          ) : (
            words.say(value, quantity)
          )}
        </dd>
      </div>
    )
  }
  const { loss, capacity } = figures
  return (
    <>
      <dl className="facts">
        {loss ? line('loss', 'Heat loss', loss.value, 'loss', loss.worked) : null}
        {capacity ? line('capacity', 'Heat stored', capacity.value, 'capacity', capacity.worked) : null}
        {lines.map(({ id, label, value, quantity, worked }) => line(id, label, value, quantity, worked))}
      </dl>
      <FactsDialog />
    </>
  )
}
