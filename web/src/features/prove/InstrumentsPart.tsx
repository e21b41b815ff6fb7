import { useAct } from '../../loop/useAct'
import { writeInstrument } from '@nachtigal/core/actions/writeInstrument'
import { carryInstrument } from '@nachtigal/core/actions/carryInstrument'
import { addInstrument } from '@nachtigal/core/actions/addInstrument'
import { Controller } from 'react-hook-form'
import { object, string } from 'yup'
import { ordered } from '@nachtigal/core/schema/ordered'
import { errsWords, outOfDate } from '@nachtigal/core/document/instruments'
import { useShelfQuery } from '../../state/api'
import { useLoop } from '../../loop/loopContext'
import { today } from '../../loop/useKeepReading'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { DateField } from '../../design/DateField'
import { useSavedForm } from '../../design/useSavedForm'
import { KeptText } from '../../design/KeptText'
import { Shape } from '../../design/Shape'

/** The instruments of the job: which are out today, when each was checked, what it may err. */
export function InstrumentsPart() {
  const { job, words } = useLoop()
  const act = useAct()
  const day = today(job.zone)
  const all = ordered(job.instruments)
  const taken = job.kit?.[day] ?? {}
  const take = (id: string, out: boolean) => act(carryInstrument, { instrument: id, day, out })
  const write = (id: string, part: 'serial' | 'checked' | 'due', text: string): string | undefined =>
    act(writeInstrument, { instrument: id, part, text })
  return (
    <div className="work">
      <div className="p-4 min-h-0 overflow-auto grid gap-3 content-start">
        <h2 className="h2">Measured with today</h2>
        {all.length === 0 ? (
          <p>No instruments yet. Add the ones in your bag: what each may err counts in every verdict.</p>
        ) : (
          <ul className="grid gap-3" aria-label="Instruments">
            {all.map((instrument) => (
              <li key={instrument.id} className="instrument">
                <label className="flex items-center gap-3 min-h-12">
                  <input
                    type="checkbox"
                    checked={taken[instrument.id] === true}
                    onChange={(event) => take(instrument.id, event.target.checked)}
                  />
                  <b className="text-[16px]">{instrument.name}</b>
                  {outOfDate(instrument, day) ? (
                    <span className="flex items-center gap-1">
                      <Shape kind="look" /> check was due {instrument.due}
                    </span>
                  ) : null}
                </label>
                <p className="small text-ink2">{errsWords(instrument, words)}</p>
                <div className="grid grid-cols-3 gap-3 max-md:grid-cols-1">
                  <KeptText
                    label="Serial"
                    value={instrument.serial}
                    onKeep={(text) => write(instrument.id, 'serial', text)}
                  />
                  <DateField
                    label="Last checked"
                    value={instrument.checked}
                    today={day}
                    onKeep={(text) => write(instrument.id, 'checked', text)}
                  />
                  <DateField
                    label="Next check due"
                    value={instrument.due}
                    today={day}
                    onKeep={(text) => write(instrument.id, 'due', text)}
                  />
                </div>
              </li>
            ))}
          </ul>
        )}
      </div>
      <aside className="panel" aria-label="Add an instrument">
        <AddInstrument />
        <p className="small text-ink2">
          Where an instrument may err by more than a third of what may stray, the verdict is: cannot tell. One that is
          out of date is said on the sheet.
        </p>
      </aside>
    </div>
  )
}

const instrumentForm = object({ type: string().required('Kind is empty: it takes one of the list.') })

function AddInstrument() {
  const { job } = useLoop()
  const act = useAct()
  const { data: shelf } = useShelfQuery()
  const types = shelf?.instruments ?? []
  const { control, wrong, onSubmit } = useSavedForm({
    schema: instrumentForm,
    begun: { type: '' },
    keep: ({ type }) => {
      const found = types.find(({ id }) => id === type)
      return found
        ? act(addInstrument, { name: found.title, errs: found.errs, day: today(job.zone) })
        : 'Kind is not on the shelf any more: it takes one of the list.'
    },
    at: 'type',
  })
  const problem = wrong('type')
  return (
    <form className="grid gap-3" noValidate onSubmit={onSubmit}>
      <h2 className="h2">Add one</h2>
      <Controller
        control={control}
        name="type"
        render={({ field }) => (
          <ChoiceField
            label="Kind"
            value={field.value || undefined}
            choices={types.map(({ id, title, about }) => ({ value: id, title: `${title} (${about})` }))}
            onChoose={field.onChange}
          />
        )}
      />
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      <Button type="submit">Put it in the bag</Button>
    </form>
  )
}
