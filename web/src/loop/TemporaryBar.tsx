import { useState } from 'react'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { Temporary } from '@nachtigal/core/document/documents'
import { temporaryKinds } from '@nachtigal/core/document/fields/loopFields'
import { Button } from '../design/Button'
import { ChoiceField } from '../design/ChoiceField'
import { Field } from '../design/Field'
import { Opens } from '../design/Opens'
import { Shape } from '../design/Shape'
import { useLoop } from './loopContext'
import { useTemporary } from './useTemporary'

const titles: Record<(typeof temporaryKinds)[number], string> = {
  bridge: 'Bridge',
  forced: 'Forced output',
  hand: 'Switch in hand',
  limit: 'Raised limit',
  lifted: 'Lifted wire',
}

/** What is only for now: seen on every screen of the loop until it is undone. */
export function TemporaryBar() {
  const { loop } = useLoop()
  const { undone } = useTemporary()
  const all = ordered(loop.temporary)
  if (all.length === 0) return null
  return (
    <section className="temporary" aria-label="Temporary">
      <Shape kind="look" size={16} labelled />
      <b className="cond text-[16px] flex-none">Temporary</b>
      <ul className="flex gap-x-5 overflow-x-auto min-w-0 flex-1">
        {all.map(({ id, what, by }) => (
          <li key={id} className="whitespace-nowrap" title={`by ${by}`}>
            {what}{' '}
            <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => undone(id)}>
              Undone
            </button>
          </li>
        ))}
      </ul>
      <AddTemporary />
    </section>
  )
}

interface AddProps {
  readonly trigger?: string
  /** The step or the test that makes it and ends it, where it is entered there. */
  readonly during?: string | undefined
}

/** Enters a bridge, a forced output, a switch in hand, a raised limit or a lifted wire the moment it is made. */
export function AddTemporary({ trigger, during }: AddProps) {
  const { put } = useTemporary()
  const [kind, setKind] = useState<NonNullable<Temporary['kind']>>('bridge')
  const [what, setWhat] = useState('')
  const [problem, setProblem] = useState<string>()
  return (
    <Opens
      className="third min-h-8 max-md:min-h-12 flex-none text-left justify-self-start"
      {...(trigger === undefined ? { label: 'Add something temporary' } : {})}
      trigger={trigger ?? 'Add'}
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          const said = what.trim()
          if (said === '') {
            setProblem('What and where is empty: it takes a line such as \u201cS1 bridged at K1 11 and 14\u201d.')
            return
          }
          const refused = put(kind, `${titles[kind]}: ${said}`, during)
          setProblem(refused)
          if (refused === undefined) setWhat('')
        }}
      >
        <p>
          {during === undefined
            ? 'It stands on every screen of this loop; first live and hand-over stay shut until it is undone.'
            : 'It belongs to this test: it stands on every screen of this loop until the test ends it, or it is undone.'}
        </p>
        <ChoiceField
          label="What is it"
          value={kind}
          choices={temporaryKinds.map((value) => ({ value, title: titles[value] }))}
          onChoose={(value) => setKind(value as NonNullable<Temporary['kind']>)}
        />
        <Field label="What and where" text error={problem}>
          {(ids) => (
            <input
              {...ids}
              value={what}
              maxLength={300}
              onChange={(event) => {
                setProblem(undefined)
                setWhat(event.target.value)
              }}
            />
          )}
        </Field>
        <Button type="submit">Put on the list</Button>
      </form>
    </Opens>
  )
}
