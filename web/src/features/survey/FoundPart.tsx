import { useAct } from '../../loop/useAct'
import { writeFound } from '@nachtigal/core/actions/writeFound'
import { writeComplaint } from '@nachtigal/core/actions/writeComplaint'
import type { Found } from '@nachtigal/core/document/documents'
import { nextOrder } from '@nachtigal/core/schema/ordered'
import { ordered } from '@nachtigal/core/schema/ordered'
import { foundRecord, surveyRecord } from '@nachtigal/core/document/fields/surveyFields'
import { suitsPractice } from '@nachtigal/core/device/suitsPractice'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { TextField } from '../../design/TextField'
import { newId } from '../../lib/newId'

const FREE = 'free'

const valueFields = foundRecord.fields.values.of.fields
const terminalFields = foundRecord.fields.terminals.of.fields

/** The control that was there, before anything is keyed or lifted: what it is, every parameter, every terminal, the weather of the day. */
export function FoundPart() {
  const { job, loop, profiles, preferences, words } = useLoop()
  const act = useAct()
  const found = loop.survey.found ?? {}
  const put = (next: Found) => act(writeFound, { found: next })
  // Those of the practice, and the one that was named whatever it is.
  const controllers = profiles.filter(
    (each) => each.controller !== undefined && (suitsPractice(each, job.practice) || each.id === found.profile),
  )
  const profile = controllers.find(({ id }) => id === found.profile)
  const chooseProfile = (id: string) => {
    if (id === FREE) {
      const { profile: _old, ...rest } = found
      put(rest)
      return
    }
    const known = controllers.find((each) => each.id === id)
    if (!known) return
    const next: Found = { ...found, profile: id, what: found.what ?? known.name }
    // The job keeps a copy, so that what was found on its terminals can be judged anywhere.
    act(writeFound, { found: next, profile: known })
  }
  const values = found.values ?? {}
  const terminals = found.terminals ?? {}
  const setValue = (id: string, name: string, text: string, order: number) => {
    const { [id]: _old, ...rest } = values
    put({ ...found, values: text === '' && profile ? rest : { ...rest, [id]: { order, name, text } } })
  }
  const loose = ordered(values).filter(({ id }) => !profile?.controller?.parameters[id])
  return (
    <div className="grid gap-5">
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2 xl:grid-cols-3">
        <TextField
          className="sm:col-span-2 xl:col-span-3"
          label="Complaint, in the owner’s words"
          draftKey={`${loop.id}/complaint`}
          value={loop.survey.complaint ?? ''}
          field={surveyRecord.fields.complaint}
          onCommit={(text) => act(writeComplaint, { text })}
        />
        <ChoiceField
          label="What was there"
          value={found.state}
          onChoose={(state) => put({ ...found, state: state as 'there' | 'none' })}
          hint="Written down before anything is keyed or lifted."
          choices={[
            { value: 'there', title: 'A control is there' },
            { value: 'none', title: 'Nothing, new plant' },
          ]}
        />
        <TextField
          label="Weather of the day"
          draftKey={`${loop.id}/found/weather`}
          value={found.weather ?? ''}
          onCommit={(weather) => put({ ...found, weather })}
          placeholder="overcast, wind from the west"
        />
        <NumberField
          label="Outdoor now"
          draftKey={`${loop.id}/found/outdoor`}
          value={found.outdoorC}
          field={foundRecord.fields.outdoorC}
          preferences={preferences}
          onCommit={(outdoorC) => {
            const { outdoorC: _old, ...rest } = found
            put(outdoorC === undefined ? rest : { ...rest, outdoorC })
          }}
        />
      </div>
      {found.state === 'there' ? (
        <>
          <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2 xl:grid-cols-3">
            <ChoiceField
              label="On the shelf as"
              value={found.profile ?? FREE}
              onChoose={chooseProfile}
              choices={[
                { value: FREE, title: 'not on the shelf' },
                ...controllers.map(({ id, name, summary }) => ({
                  value: id,
                  title: `${name}, ${words.tell(summary)}`,
                })),
              ]}
            />
            <TextField
              label="What its label says"
              draftKey={`${loop.id}/found/what`}
              value={found.what ?? ''}
              field={foundRecord.fields.what}
              onCommit={(what) => put({ ...found, what })}
            />
            <TextField
              label="Serial"
              draftKey={`${loop.id}/found/serial`}
              value={found.serial ?? ''}
              field={foundRecord.fields.serial}
              onCommit={(serial) => put({ ...found, serial })}
            />
          </div>
          <section aria-labelledby="found-values">
            <h3 id="found-values" className="h3 mb-2">
              Every parameter, as its display shows it
            </h3>
            <div className="grid gap-x-6 gap-y-3 grid-cols-2 xl:grid-cols-4">
              {Object.entries(profile?.controller?.parameters ?? {})
                .sort(([, a], [, b]) => a.order - b.order)
                .map(([code, { name, order }]) => (
                  <TextField
                    key={code}
                    label={`${code} ${name}`}
                    draftKey={`${loop.id}/found/value/${code}`}
                    value={values[code]?.text ?? ''}
                    field={valueFields.text}
                    onCommit={(text) => setValue(code, name, text, order)}
                  />
                ))}
              {loose.map(({ id, name, text, order }) => (
                <div key={id} className="grid grid-cols-2 gap-2">
                  <TextField
                    label="Parameter"
                    draftKey={`${loop.id}/found/name/${id}`}
                    value={name}
                    field={valueFields.name}
                    onCommit={(next) => setValue(id, next, text, order)}
                  />
                  <TextField
                    label="Shows"
                    draftKey={`${loop.id}/found/value/${id}`}
                    value={text}
                    field={valueFields.text}
                    onCommit={(next) => setValue(id, name, next, order)}
                  />
                </div>
              ))}
            </div>
            <div className="max-w-xs mt-3">
              <Button
                second
                end="+"
                onClick={() =>
                  put({
                    ...found,
                    values: {
                      ...values,
                      [newId()]: { order: 1000 + nextOrder(values), name: '', text: '' },
                    },
                  })
                }
              >
                Another parameter
              </Button>
            </div>
          </section>
          <section aria-labelledby="found-terminals">
            <h3 id="found-terminals" className="h3 mb-2">
              Every terminal, before a wire is lifted
            </h3>
            <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
              {ordered(terminals).map(({ id, ...entry }) => (
                <div key={id} className="grid grid-cols-[80px_minmax(0,1fr)_96px] gap-2">
                  <TextField
                    label="Terminal"
                    draftKey={`${loop.id}/found/terminal/${id}`}
                    value={entry.terminal}
                    field={terminalFields.terminal}
                    onCommit={(next) =>
                      put({ ...found, terminals: { ...terminals, [id]: { ...entry, terminal: next } } })
                    }
                  />
                  <TextField
                    label="Wire: colour, label, where to"
                    draftKey={`${loop.id}/found/wire/${id}`}
                    value={entry.wire}
                    field={terminalFields.wire}
                    onCommit={(next) => put({ ...found, terminals: { ...terminals, [id]: { ...entry, wire: next } } })}
                  />
                  <NumberField
                    label="Volts on it"
                    draftKey={`${loop.id}/found/volts/${id}`}
                    value={entry.volts}
                    field={terminalFields.volts}
                    preferences={preferences}
                    onCommit={(volts) => {
                      const { volts: _old, ...rest } = entry
                      return put({
                        ...found,
                        terminals: { ...terminals, [id]: volts === undefined ? rest : { ...rest, volts } },
                      })
                    }}
                  />
                </div>
              ))}
            </div>
            <div className="max-w-xs mt-3">
              <Button
                second
                end="+"
                onClick={() => {
                  const free = Object.entries(profile?.terminals ?? {})
                    .sort(([, a], [, b]) => a.order - b.order)
                    .map(([, { label }]) => label)
                    .find((label) => !Object.values(terminals).some(({ terminal }) => terminal === label))
                  put({
                    ...found,
                    terminals: {
                      ...terminals,
                      [newId()]: { order: nextOrder(terminals), terminal: free ?? '', wire: '' },
                    },
                  })
                }}
              >
                Another terminal
              </Button>
            </div>
          </section>
        </>
      ) : null}
    </div>
  )
}
