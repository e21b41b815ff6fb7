import { yupResolver } from '@hookform/resolvers/yup'
import { useState } from 'react'
import { Controller, useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import { type InferType, object, string } from 'yup'
import { nextOrder } from '@nachtigal/core/schema/ordered'
import { emptyLoop } from '@nachtigal/core/document/documents'
import { loopKinds } from '@nachtigal/core/kinds/ids'
import { Button } from '../../design/Button'
import { Field } from '../../design/Field'
import { KindChoice } from '../../drawing/KindChoice'
import { newId } from '../../lib/newId'
import { useJob } from '../../loop/jobContext'
import { useSend } from '../../loop/useSend'
import { loopAt } from '../../lib/addresses'

const schema = object({
  kind: string().oneOf(loopKinds).required('Kind is open: choose what is held warm, cold or dry.'),
  name: string()
    .trim()
    .required('Name is empty: it takes what the owner calls this loop.')
    .max(200, 'Name is too long: 200 characters at most.'),
})

/** A new loop: its kind and its name; goes to its survey once it is made. */
export function AddLoopForm({ onMade }: { onMade?: () => void }) {
  const { job, loops } = useJob()
  const send = useSend(job.id)
  const navigate = useNavigate()
  const [problem, setProblem] = useState<string>()
  const {
    control,
    register,
    handleSubmit,
    formState: { errors },
  } = useForm<InferType<typeof schema>>({ resolver: yupResolver(schema), defaultValues: { name: '' } })
  const add = handleSubmit(({ kind, name }) => {
    const id = newId()
    const loop = emptyLoop(id, job.id, kind, name, nextOrder(loops))
    const wrong = send([{ document: id, path: [], from: null, to: loop }], { loopId: id })
    if (wrong) {
      setProblem(wrong)
      return
    }
    onMade?.()
    void navigate(loopAt(job.id, id, 'survey'))
  })
  return (
    <form className="grid gap-4" onSubmit={(event) => void add(event)} noValidate aria-label="New loop">
      <Controller
        control={control}
        name="kind"
        render={({ field }) => <KindChoice kind={field.value} onChoose={field.onChange} error={errors.kind?.message} />}
      />
      <Field label="Name" text error={errors.name?.message ?? problem}>
        {(ids) => <input {...ids} {...register('name')} autoComplete="off" />}
      </Field>
      <Button type="submit" end="+">
        Add the loop
      </Button>
    </form>
  )
}
