import { yupResolver } from '@hookform/resolvers/yup'
import {
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type Resolver,
  useForm,
} from 'react-hook-form'
import type { ObjectSchema } from 'yup'

interface Wanted<T extends FieldValues> {
  readonly schema: ObjectSchema<T>
  readonly begun: DefaultValues<T>
  /** Keeps what was typed; answers why not, or nothing. */
  readonly keep: (values: T) => string | undefined
  /** The field that a refusal of the whole stands at. */
  readonly at: Path<T>
}

/**
 * A form with a Save: what was typed is held against its schema, a refusal stands at its field and nothing that was
 * typed is lost; once it is kept, the form is as it began.
 */
export function useSavedForm<T extends FieldValues>({ schema, begun, keep, at }: Wanted<T>) {
  const form = useForm<T>({
    resolver: yupResolver(schema) as unknown as Resolver<T>,
    defaultValues: begun,
  })
  const { errors } = form.formState
  const save = form.handleSubmit((values) => {
    const refused = keep(values as unknown as T)
    if (refused === undefined) form.reset()
    else form.setError(at, { message: refused })
  })
  return {
    ...form,
    /** What is wrong with a field. */
    wrong: (field: Path<T>) => (errors as FieldErrors<Record<string, unknown>>)[field]?.message as string | undefined,
    onSubmit: (event: { preventDefault: () => void }) => {
      event.preventDefault()
      void save()
    },
  }
}
