import { Controller } from 'react-hook-form'
import { mixed, object, string } from 'yup'
import { ordered } from '@nachtigal/core/schema/ordered'
import { temporaryKinds } from '@nachtigal/core/document/fields/loopFields'
import { Button } from '../design/Button'
import { ChoiceField } from '../design/ChoiceField'
import { Field } from '../design/Field'
import { Opens } from '../design/Opens'
import { useSavedForm } from '../design/useSavedForm'
import { Shape } from '../design/Shape'
import { useLoop } from './loopContext'
import { useTemporary } from './useTemporary'

type TemporaryKind = (typeof temporaryKinds)[number]

const titles: Record<TemporaryKind, string> = {
  bridge: 'Bridge',
  forced: 'Forced output',
  hand: 'Switch in hand',
  limit: 'Raised limit',
  lifted: 'Lifted wire',
}

const temporaryForm = object({
  kind: mixed<TemporaryKind>().oneOf(temporaryKinds).required(),
  what: string()
    .trim()
    .required('What and where is empty: it takes a line such as \u201cS1 bridged at K1 11 and 14\u201d.')
    .max(300, 'What and where is too long: 300 characters at most.'),
})

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
  const { control, register, wrong, onSubmit } = useSavedForm<{ kind: TemporaryKind; what: string }>({
    schema: temporaryForm,
    begun: { kind: 'bridge', what: '' },
    keep: ({ kind, what }) => put(kind, `${titles[kind]}: ${what}`, during),
    at: 'what',
  })
  return (
    <Opens
      className="third min-h-8 max-md:min-h-12 flex-none text-left justify-self-start"
      {...(trigger === undefined ? { label: 'Add something temporary' } : {})}
      trigger={trigger ?? 'Add'}
    >
      <form className="grid gap-3" noValidate onSubmit={onSubmit}>
        <p>
          {during === undefined
            ? 'It stands on every screen of this loop; first live and hand-over stay shut until it is undone.'
            : 'It belongs to this test: it stands on every screen of this loop until the test ends it, or it is undone.'}
        </p>
        <Controller
          control={control}
          name="kind"
          render={({ field }) => (
            <ChoiceField
              label="What is it"
              value={field.value}
              choices={temporaryKinds.map((value) => ({ value, title: titles[value] }))}
              onChoose={field.onChange}
            />
          )}
        />
        <Field label="What and where" text error={wrong('what')}>
          {(ids) => <input {...ids} {...register('what')} autoComplete="off" />}
        </Field>
        <Button type="submit">Put on the list</Button>
      </form>
    </Opens>
  )
}
