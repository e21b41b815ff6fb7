import { yupResolver } from '@hookform/resolvers/yup'
import { useEffect, useRef, useState } from 'react'
import { Controller, useForm } from 'react-hook-form'
import { useStore } from 'react-redux'
import { useNavigate } from 'react-router'
import { type InferType, object, string } from 'yup'
import { startChain } from '@nachtigal/core/actions/startChain'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import type { Answer, Answers } from '@nachtigal/core/kinds/answers'
import { loopKinds } from '@nachtigal/core/kinds/ids'
import { kindSign } from '@nachtigal/core/kinds/kindSigns'
import { openingQuestions, usualAnswers } from '@nachtigal/core/kinds/openingQuestions'
import { nextOrder } from '@nachtigal/core/schema/ordered'
import { Button } from '../../design/Button'
import { Field } from '../../design/Field'
import { KindChoice } from '../../drawing/KindChoice'
import { newId } from '../../lib/newId'
import { LookingThrough } from '../../loop/LookingThrough'
import { useJob } from '../../loop/jobContext'
import { useSend } from '../../loop/useSend'
import { loopAt } from '../../lib/addresses'
import { type RootState, useAppSelector } from '../../state/store'
import { proposeChain } from '../../workers/proposeChain'
import { OpeningFields } from './OpeningFields'

const schema = object({
  kind: string().oneOf(loopKinds).required('Kind is open: choose what is held warm, cold or dry.'),
  name: string().trim().defined().max(200, 'Name is too long: 200 characters at most.'),
})

/** A kind's word as a name, for a loop that nobody named. */
const named = (word: string) => `${word[0]!.toUpperCase()}${word.slice(1)}`

/**
 * A new loop: its kind, what is enough to begin with, its name. With a target its chain is proposed at once and it goes to where it switches;
 * without one it goes to its survey.
 */
export function AddLoopForm({ first = false, onMade }: { first?: boolean; onMade?: () => void }) {
  const { job, loops, data, profiles } = useJob()
  const unit = useAppSelector((state) => state.view.unit)
  const send = useSend(job.id)
  const navigate = useNavigate()
  const store = useStore<RootState>()
  const drafts = `${job.id}/opening`
  const [problem, setProblem] = useState<string>()
  const [looking, setLooking] = useState(false)
  // Enter in a field commits it and sends the form in one go: what was just typed counts.
  const given = useRef<Answers>({})
  const [answers, setAnswers] = useState<Answers>({})
  const cancel = useRef<() => void>(undefined)
  useEffect(() => () => cancel.current?.(), [])
  const form = useForm<InferType<typeof schema>>({ resolver: yupResolver(schema), defaultValues: { name: '' } })
  const { control, register, handleSubmit, watch, formState } = form
  const kind = watch('kind')
  const answer = (id: string, value: Answer | undefined) => {
    const { [id]: _before, ...rest } = given.current
    given.current = value === undefined ? rest : { ...rest, [id]: value }
    setAnswers(given.current)
  }
  /** What was answered of what this kind opens with; another kind's answers stay in the form, not in the loop. */
  const made = ({ kind: of, name }: InferType<typeof schema>, others: Answers = {}): LoopDocument => {
    const said = openingQuestions(of).flatMap(({ id }) => {
      const value = given.current[id] ?? others[id]
      return value === undefined ? [] : [[id, value] as const]
    })
    return emptyLoop(newId(), job.id, of, name || named(kindSign(of).word), nextOrder(loops), Object.fromEntries(said))
  }
  /** Keeps the loop, and what its chain changed of the job. */
  const keep = (loop: LoopDocument, after: typeof job, step: string, action?: string) => {
    const wrong = send([...changesBetween(job.id, job, after), { document: loop.id, path: [], from: null, to: loop }], {
      loopId: loop.id,
      ...(action ? { action } : {}),
    })
    setProblem(wrong)
    if (wrong) return
    onMade?.()
    void navigate(loopAt(job.id, loop.id, step))
  }
  const alone = handleSubmit((values) => keep(made(values), job, 'survey'))
  const proposed = handleSubmit((values) => {
    // With its chain it takes the mains that the form shows, answered or usual.
    const loop = made(values, usualAnswers(values.kind, job.practice))
    setProblem(undefined)
    setLooking(true)
    const running = proposeChain({ job, loop }, profiles, data)
    cancel.current = running.cancel
    running.result.then(
      (found) => {
        setLooking(false)
        if ('lacks' in found) setProblem(`The ${found.lacks}. The loop alone can be added.`)
        else keep(found.loop, found.job, 'set', startChain.id)
      },
      (error: unknown) => {
        setLooking(false)
        setProblem(`The shelf could not be looked through: ${error instanceof Error ? error.message : String(error)}`)
      },
    )
  })
  /** What was typed and refused stands in its field with what is allowed: nothing is added past it. */
  const submit = (how: () => Promise<void>) => {
    const typed = store.getState().drafts
    if (kind && openingQuestions(kind).some(({ id }) => typed[`${drafts}/${id}`] !== undefined)) return
    void how()
  }
  const held = answers['target'] !== undefined
  const stop = () => {
    cancel.current?.()
    setLooking(false)
  }
  return (
    <form
      className={`grid gap-x-6 gap-y-4 ${first ? 'lg:grid-cols-2 items-start' : ''}`}
      onSubmit={(event) => {
        event.preventDefault()
        submit(given.current['target'] === undefined ? alone : proposed)
      }}
      noValidate
      aria-label="New loop"
    >
      <Controller
        control={control}
        name="kind"
        render={({ field }) => (
          <KindChoice
            kind={field.value}
            focused={first}
            onChoose={field.onChange}
            error={formState.errors.kind?.message}
          />
        )}
      />
      <div className="grid gap-4">
        {kind ? (
          <OpeningFields
            kind={kind}
            draftKey={drafts}
            preferences={{ temperatureUnit: unit ?? job.temperatureUnit, system: job.system }}
            practice={job.practice}
            answers={{ ...usualAnswers(kind, job.practice), ...answers }}
            onAnswer={answer}
          />
        ) : null}
        <Field label="Name" text error={formState.errors.name?.message ?? problem}>
          {(ids) => (
            <input
              {...ids}
              {...register('name')}
              autoComplete="off"
              placeholder={kind ? named(kindSign(kind).word) : ''}
            />
          )}
        </Field>
        {looking ? <LookingThrough onStop={stop} /> : null}
        {held ? (
          <>
            <Button type="submit" disabled={looking}>
              Add it with its chain
            </Button>
            <Button second end="+" disabled={looking} onClick={() => submit(alone)}>
              Add the loop
            </Button>
          </>
        ) : (
          <Button type="submit" end="+">
            Add the loop
          </Button>
        )}
      </div>
    </form>
  )
}
