import { X } from 'lucide-react'
import type { Field as FieldOf, Fields, NumberField } from '@nachtigal/core/calc/field'
import { emptyForm, emptyValue, type Form, type FormErrors, type FormValue, isLine } from '@nachtigal/core/calc/form'
import { boundsOf } from '@nachtigal/core/calc/quantityLimits'
import { plainDigits } from '@nachtigal/core/units/plainDigits'
import { quantityView, trueMinus } from '@nachtigal/core/units/quantity'
import { ChoiceField } from '../../design/ChoiceField'
import { Field } from '../../design/Field'
import { useCalculators } from './calculatorsContext'

interface Props {
  readonly field: FieldOf
  readonly path: string
  readonly value: FormValue | undefined
  readonly errors: FormErrors
  /** The figure is the example's, not the user's. */
  readonly example: boolean
  readonly onType: (value: FormValue) => void
}

const group = (value: FormValue | undefined): Form =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Form) : {}

const mayBeNegative = (field: NumberField) => (boundsOf(field).min ?? boundsOf(field).over ?? 0) < 0
const turnSign = (text: string) => (/^\s*[-\u2212]/.test(text) ? text.replace(/^\s*[-\u2212]/, '') : `\u2212${text}`)

/** A field of a sum, whatever its kind: a comb, a list to choose from, rows that can be added, or a group of these. */
export function CalculationField({ field, path, value, errors, example, onType }: Props) {
  const { preferences, calcData } = useCalculators()
  const aside = example ? 'example' : field.optional ? 'optional' : undefined
  const title = field.symbol ? `${field.title}, ${field.symbol}` : field.title
  const typed = typeof value === 'string' ? value : ''
  const common = { label: title, aside, hint: field.hint, error: errors[path] }

  const numberInput = (of: NumberField) => {
    const view = quantityView(of.quantity, preferences)
    const usual = of.default === undefined ? undefined : trueMinus(plainDigits(view.toShown(of.default)))
    return (
      <Field {...common} unit={view.label}>
        {(ids) => (
          <>
            <input
              {...ids}
              type="text"
              inputMode={field.type === 'number' && !of.nullable ? 'decimal' : 'text'}
              autoComplete="off"
              maxLength={60}
              value={typed}
              placeholder={usual ?? ''}
              onChange={(event) => onType(event.target.value)}
            />
            {mayBeNegative(of) ? (
              // A phone's number keys often lack the minus.
              <button
                type="button"
                className="only-phone w-12 -mr-2 self-stretch text-[20px]"
                aria-label={`Turn the sign of ${field.title.toLowerCase()}`}
                onClick={() => onType(turnSign(typed))}
              >
                ±
              </button>
            ) : null}
          </>
        )}
      </Field>
    )
  }
  switch (field.type) {
    case 'number':
      return numberInput(field)
    case 'either':
      return numberInput({ ...field.number, title: field.title })
    case 'boolean':
      return (
        <ChoiceField
          {...common}
          value={typed || (field.default === undefined ? undefined : field.default ? 'yes' : 'no')}
          choices={[
            { value: 'yes', title: 'yes' },
            { value: 'no', title: 'no' },
          ]}
          onChoose={onType}
        />
      )
    case 'choice':
      return (
        <ChoiceField
          {...common}
          value={typed || field.default}
          choices={field.choices.map((each) => ({ value: each, title: field.says?.[each] ?? each }))}
          onChoose={onType}
        />
      )
    case 'text':
      if (field.from === 'parts')
        return (
          <ChoiceField
            {...common}
            value={typed || undefined}
            choices={calcData.parts.map(({ name, title: part }) => ({ value: name, title: part }))}
            onChoose={onType}
          />
        )
      return (
        <Field {...common} text>
          {(ids) => (
            <input
              {...ids}
              type="text"
              autoComplete="off"
              maxLength={200}
              value={typed}
              placeholder={field.like ?? ''}
              onChange={(event) => onType(event.target.value)}
            />
          )}
        </Field>
      )
    case 'expression':
      return (
        <Field {...common} text hint="and: in series, or: in parallel, not: opens when made; brackets as in arithmetic">
          {(ids) => (
            <input
              {...ids}
              type="text"
              autoComplete="off"
              autoCapitalize="none"
              maxLength={1000}
              value={typed}
              placeholder="limit and (thermostat or override)"
              onChange={(event) => onType(event.target.value)}
            />
          )}
        </Field>
      )
    case 'list':
      return isLine(field) ? (
        <LineField {...{ field, path, value, errors, example, onType }} />
      ) : (
        <Rows {...{ field, path, value, errors, example, onType }} />
      )
    case 'tuple':
      return (
        <div className="grid grid-cols-2 gap-3 items-end">
          {field.items.map((item, i) => (
            <CalculationField
              key={i}
              field={item}
              path={`${path}[${i}]`}
              value={group(value)[String(i)]}
              errors={errors}
              example={example}
              onType={(next) => onType({ ...group(value), [String(i)]: next })}
            />
          ))}
        </div>
      )
    case 'object':
      return (
        <fieldset className="border-t border-ink pt-2 grid gap-2">
          <legend className="h3 pr-2">{field.title}</legend>
          <Group
            fields={field.fields}
            path={path}
            value={group(value)}
            errors={errors}
            example={example}
            onType={onType}
          />
        </fieldset>
      )
    case 'variant': {
      const kinds = Object.keys(field.of)
      const kind = String(group(value)['kind'] ?? kinds[0])
      const fields = field.of[kind] ?? {}
      return (
        <fieldset className="grid gap-2">
          <legend className="sr-only">{field.title}</legend>
          {kinds.length > 1 ? (
            <ChoiceField
              {...common}
              value={kind}
              choices={kinds.map((each) => ({ value: each, title: field.says?.[each] ?? each }))}
              onChoose={(next) => onType({ kind: next, ...emptyForm(field.of[next] ?? {}) })}
            />
          ) : (
            <p className="lab">{title}</p>
          )}
          <div className="pl-3 border-l border-line grid gap-2">
            <Group
              fields={fields}
              path={path}
              value={group(value)}
              errors={errors}
              example={example}
              onType={(next) => onType({ ...next, kind })}
            />
          </div>
        </fieldset>
      )
    }
    case 'map':
      return null
  }
}

interface GroupProps {
  readonly fields: Fields
  readonly path: string
  readonly value: Form
  readonly errors: FormErrors
  readonly example: boolean
  readonly onType: (value: Form) => void
}

/** Fields that belong together, two beside one another where they are short. */
function Group({ fields, path, value, errors, example, onType }: GroupProps) {
  const wide = Object.values(fields).some(
    (of) => ['object', 'variant'].includes(of.type) || (of.type === 'list' && !isLine(of)),
  )
  return (
    <div className={wide ? 'grid gap-2' : 'grid gap-x-3 gap-y-2 grid-cols-2 items-end'}>
      {Object.entries(fields).map(([name, of]) => (
        <CalculationField
          key={name}
          field={of}
          path={`${path}.${name}`}
          value={value[name]}
          errors={errors}
          example={example}
          onType={(next) => onType({ ...value, [name]: next })}
        />
      ))}
    </div>
  )
}

/** Several figures in one field, apart by blanks or semicolons; a column pasted from a sheet is taken as it is. */
function LineField({ field, path, value, errors, example, onType }: Props) {
  const { preferences } = useCalculators()
  if (field.type !== 'list') return null
  const inner = field.of.type === 'number' ? field.of : field.of.type === 'either' ? field.of.number : undefined
  const unit = inner ? quantityView(inner.quantity, preferences).label : ''
  const out = inner?.nullable ? '; "out" where there is none' : ''
  return (
    <Field
      label={field.title}
      aside={example ? 'example' : 'apart by blanks'}
      hint={`${field.hint ? `${field.hint}. ` : ''}Figures apart by blanks or semicolons${out}`}
      error={errors[path]}
      unit={unit}
      text
      className="area"
    >
      {(ids) => (
        <textarea
          {...ids}
          rows={field.most !== undefined && field.most <= 32 ? 1 : 2}
          autoComplete="off"
          spellCheck={false}
          maxLength={200_000}
          value={typeof value === 'string' ? value : ''}
          onChange={(event) => onType(event.target.value)}
        />
      )}
    </Field>
  )
}

/** Rows of the same fields; one more can always be added, each can go. */
function Rows({ field, path, value, errors, example, onType }: Props) {
  if (field.type !== 'list') return null
  const rows = Array.isArray(value) ? (value as readonly FormValue[]) : []
  const { least = 0, most = 10_000 } = field
  const one = field.of.title
  return (
    <fieldset className="border-t border-ink pt-1">
      <legend className="h3 pr-2">
        {field.title}
        {example ? <span className="small text-ink2 font-sans font-normal pl-2">example</span> : null}
      </legend>
      {field.hint ? <p className="small text-ink2 pb-1">{field.hint}</p> : null}
      {errors[path] ? (
        <p role="alert" className="error">
          {errors[path]}
        </p>
      ) : null}
      <ol className="grid gap-2">
        {rows.map((row, i) => (
          <li key={i} className="grid grid-cols-[1fr_auto] gap-2 items-end" aria-label={`${one} ${i + 1}`}>
            {field.of.type === 'object' ? (
              <Group
                fields={field.of.fields}
                path={`${path}[${i}]`}
                value={group(row)}
                errors={errors}
                example={false}
                onType={(next) => onType(rows.map((each, j) => (j === i ? next : each)))}
              />
            ) : (
              <CalculationField
                field={field.of}
                path={`${path}[${i}]`}
                value={row}
                errors={errors}
                example={false}
                onType={(next) => onType(rows.map((each, j) => (j === i ? next : each)))}
              />
            )}
            <button
              type="button"
              className="w-8 h-10 max-md:w-12 max-md:h-12 grid place-items-center disabled:opacity-30"
              disabled={rows.length <= least}
              aria-label={`Remove ${one.toLowerCase()} ${i + 1}`}
              onClick={() => onType(rows.filter((_, j) => j !== i))}
            >
              <X size={18} strokeWidth={1.5} />
            </button>
          </li>
        ))}
      </ol>
      {rows.length < most ? (
        <button
          type="button"
          className="third min-h-8 max-md:min-h-12"
          onClick={() => onType([...rows, emptyValue(field.of)])}
        >
          Add a {one.toLowerCase()}
        </button>
      ) : null}
    </fieldset>
  )
}
