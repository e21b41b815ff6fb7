import { useState } from 'react'
import type { Fields, FieldSpec } from '@nachtigal/core/profile/profileForm'
import { probeName } from '@nachtigal/core/probes/probeName'
import { sameCurve } from '@nachtigal/core/probes/sameCurve'
import type { Probe } from '@nachtigal/core/probes/probe'
import { parseNumber } from '@nachtigal/core/units/parseNumber'
import { quantityView } from '@nachtigal/core/units/quantity'
import { Field } from '../../ui/Field'
import { Tick } from '../../ui/Tick'
import { useShelf } from './shelfContext'

export type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object' && !Array.isArray(value)
export const treeAt = (value: unknown): Tree => (isTree(value) ? value : {})

interface Props {
  readonly fields: Fields
  readonly value: Tree
  readonly onChange: (next: Tree) => void
  /** Terminals of the device, for whatever lands on one. */
  readonly terminals: Tree
  /** Names the fields for a reader where the same stand there many times. */
  readonly of?: string
  /** Stands before the first field, in its row. */
  readonly head?: React.ReactNode
}

/** The fields of a device's form, as its spec says; nothing here knows what a device is. */
export function SpecFields({ fields, value, onChange, terminals, of = '', head }: Props) {
  const put = (key: string, next: unknown) => {
    const { [key]: _old, ...rest } = value
    onChange(next === undefined ? rest : { ...rest, [key]: next })
  }
  const plain = Object.entries(fields).filter(([, spec]) => !isLarge(spec))
  const large = Object.entries(fields).filter(([, spec]) => isLarge(spec))
  return (
    <div className="grid gap-4">
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-5 items-end">
        {head}
        {plain.map(([key, spec]) => (
          <Plain
            key={key}
            spec={spec}
            value={value[key]}
            onChange={(next) => put(key, next)}
            terminals={terminals}
            of={of}
          />
        ))}
      </div>
      {large.map(([key, spec]) => (
        <Large
          key={key}
          spec={spec}
          value={value[key]}
          onChange={(next) => put(key, next)}
          terminals={terminals}
          of={of}
        />
      ))}
    </div>
  )
}

const isLarge = ({ type }: FieldSpec) => type === 'rows' || type === 'kinds' || type === 'group' || type === 'flags'

interface One {
  readonly spec: FieldSpec
  readonly value: unknown
  readonly onChange: (next: unknown) => void
  readonly terminals: Tree
  readonly of: string
}

function Plain({ spec, value, onChange, terminals, of }: One) {
  const label = of ? `${spec.title}, ${of}` : spec.title
  const shown = <span aria-hidden={of ? true : undefined}>{spec.title}</span>
  const named = of ? (
    <>
      {shown}
      <span className="sr-only">{label}</span>
    </>
  ) : (
    spec.title
  )
  switch (spec.type) {
    case 'text':
      return (
        <Field label={named} text>
          {(ids) => (
            <input
              {...ids}
              maxLength={spec.most}
              autoComplete="off"
              value={typeof value === 'string' ? value : ''}
              onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
              onBlur={(event) => onChange(event.target.value.trim() || undefined)}
            />
          )}
        </Field>
      )
    case 'number':
      return <NumberInput spec={spec} value={value} onChange={onChange} label={named} />
    case 'choice':
    case 'terminal': {
      const options =
        spec.type === 'choice'
          ? spec.options.map((option) => [option, option.replace(/-/g, ' ')] as const)
          : Object.entries(terminals).map(([id, each]) => [id, String(treeAt(each)['label'] ?? id)] as const)
      return (
        <Field label={named} text>
          {(ids) => (
            <select
              {...ids}
              value={typeof value === 'string' ? value : ''}
              onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
            >
              <option value="">{spec.required ? 'choose' : 'none'}</option>
              {options.map(([option, title]) => (
                <option key={option} value={option}>
                  {title}
                </option>
              ))}
            </select>
          )}
        </Field>
      )
    }
    case 'flag':
      return (
        <Tick checked={value === true} onChange={(on) => onChange(on ? true : undefined)}>
          {named}
        </Tick>
      )
    case 'curve':
      return <CurveInput value={value} onChange={onChange} label={named} />
    default:
      return null
  }
}

function NumberInput({
  spec,
  value,
  onChange,
  label,
}: {
  spec: Extract<FieldSpec, { type: 'number' }>
  value: unknown
  onChange: (next: unknown) => void
  label: React.ReactNode
}) {
  const { preferences } = useShelf()
  const view = quantityView(spec.quantity, preferences)
  const own = typeof value === 'number' ? String(Number(view.toShown(value).toPrecision(10))) : ''
  const [typed, setTyped] = useState<string>()
  const text = typed ?? own
  const read = parseNumber(text)
  const wrong =
    typed !== undefined && typed.trim() !== '' && !read.ok
      ? `${spec.title} is \u201c${typed.slice(0, 20)}\u201d: it takes a number such as 21.5.`
      : undefined
  return (
    <Field label={label} unit={view.label} error={wrong}>
      {(ids) => (
        <input
          {...ids}
          inputMode="decimal"
          autoComplete="off"
          maxLength={20}
          value={text}
          onChange={(event) => {
            setTyped(event.target.value)
            const next = parseNumber(event.target.value)
            onChange(next.ok ? view.toSi(next.value) : undefined)
          }}
          onBlur={() => {
            if (!wrong) setTyped(undefined)
          }}
        />
      )}
    </Field>
  )
}

const laws: readonly Probe[] = [
  { kind: 'rtd', r0Ohm: 100 },
  { kind: 'rtd', r0Ohm: 500 },
  { kind: 'rtd', r0Ohm: 1000 },
  { kind: 'thermocouple', type: 'J' },
  { kind: 'thermocouple', type: 'K' },
  { kind: 'thermocouple', type: 'T' },
]

function CurveInput({
  value,
  onChange,
  label,
}: {
  value: unknown
  onChange: (next: unknown) => void
  label: React.ReactNode
}) {
  const { calcData } = useShelf()
  const known = [...calcData.parts.map(({ curve }): Probe => curve), ...laws]
  const at = isTree(value) ? known.findIndex((curve) => sameCurve(curve, value as unknown as Probe)) : -1
  return (
    <Field label={label} text>
      {(ids) => (
        <select
          {...ids}
          value={at >= 0 ? String(at) : isTree(value) ? 'own' : ''}
          onChange={(event) => {
            const chosen = known[Number(event.target.value)]
            if (chosen && event.target.value !== '') onChange(chosen)
          }}
        >
          {at < 0 ? (
            <option value={isTree(value) ? 'own' : ''}>{isTree(value) ? 'a curve of its own' : 'choose'}</option>
          ) : null}
          {known.map((curve, i) => (
            <option key={i} value={i}>
              {probeName(curve, calcData.parts)}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
}

function Large({ spec, value, onChange, terminals, of }: One) {
  const heading = <span className="h3">{spec.title}</span>
  if (spec.type === 'flags') {
    const held = treeAt(value)
    const put = (option: string, on: boolean) => {
      const { [option]: _old, ...rest } = held
      const next = on ? { ...rest, [option]: true } : rest
      onChange(Object.keys(next).length === 0 ? undefined : next)
    }
    return (
      <fieldset>
        <legend className="lab">{spec.title}</legend>
        <div className="flex flex-wrap gap-x-5">
          {spec.options.map((option) => (
            <Tick
              key={option}
              checked={held[option] === true}
              onChange={(on) => put(option, on)}
              className="max-md:min-h-12"
            >
              {option.replace(/-/g, ' ')}
            </Tick>
          ))}
        </div>
      </fieldset>
    )
  }
  if (spec.type === 'group') {
    const put = (next: Tree) => onChange(spec.optional && Object.keys(next).length === 0 ? undefined : next)
    return (
      <fieldset className="border-l-2 border-line pl-4 min-w-0">
        <legend className="mb-2">{heading}</legend>
        <SpecFields fields={spec.fields} value={treeAt(value)} onChange={put} terminals={terminals} of={of} />
      </fieldset>
    )
  }
  if (spec.type !== 'rows' && spec.type !== 'kinds') return null
  const held = treeAt(value)
  const kinds = spec.type === 'kinds' ? spec.kinds : undefined
  const entries = Object.entries(held).sort(
    ([, a], [, b]) => Number(treeAt(a)['order'] ?? 0) - Number(treeAt(b)['order'] ?? 0),
  )
  const add = (kind?: string) => {
    const order = entries.reduce((most, [, each]) => Math.max(most, Number(treeAt(each)['order'] ?? 0)), 0) + 1
    let n = entries.length + 1
    while (Object.hasOwn(held, `${spec.one[0]}${n}`)) n++
    onChange({
      ...held,
      [`${spec.one[0]}${n}`]: { ...(spec.type === 'rows' && spec.ordered ? { order } : {}), ...(kind ? { kind } : {}) },
    })
  }
  return (
    <fieldset className="border-l-2 border-line pl-4 min-w-0">
      <legend className="mb-2">{heading}</legend>
      <div className="grid gap-4">
        {entries.map(([key, each]) => {
          const row = treeAt(each)
          const fields = kinds ? (kinds[String(row['kind'])] ?? {}) : spec.type === 'rows' ? spec.fields : {}
          return (
            <div key={key} className="border-b border-line pb-2">
              <SpecFields
                fields={fields}
                value={row}
                onChange={(next) => onChange({ ...held, [key]: next })}
                terminals={terminals}
                of={`${spec.one} ${key}`}
                head={
                  <div className="flex items-end gap-4 pb-1">
                    <KeyInput
                      title={kinds ? String(row['kind']).replace(/-/g, ' ') : 'Id'}
                      of={`${spec.one} ${key}`}
                      value={key}
                      taken={Object.keys(held)}
                      onChange={(next) =>
                        onChange(Object.fromEntries(Object.entries(held).map(([id, v]) => [id === key ? next : id, v])))
                      }
                    />
                    <button
                      type="button"
                      className="third min-h-8 max-md:min-h-12"
                      aria-label={`Take ${spec.one} ${key} out`}
                      onClick={() => {
                        const { [key]: _gone, ...rest } = held
                        onChange(rest)
                      }}
                    >
                      Take out
                    </button>
                  </div>
                }
              />
            </div>
          )
        })}
        {kinds ? (
          <label className="flex items-center gap-3">
            <span className="lab">Add a {spec.one}</span>
            <select
              className="bg-blank border-b-2 border-ink h-9 max-md:h-12"
              value=""
              onChange={(event) => add(event.target.value)}
            >
              <option value="">choose what for</option>
              {Object.keys(kinds).map((kind) => (
                <option key={kind} value={kind}>
                  {kind.replace(/-/g, ' ')}
                </option>
              ))}
            </select>
          </label>
        ) : (
          <button type="button" className="third justify-self-start min-h-10 max-md:min-h-12" onClick={() => add()}>
            Add a {spec.one}
          </button>
        )}
      </div>
    </fieldset>
  )
}

const KEY = /^[\w.-]{1,40}$/

function KeyInput({
  title,
  of,
  value,
  taken,
  onChange,
}: {
  title: string
  of: string
  value: string
  taken: readonly string[]
  onChange: (next: string) => void
}) {
  const [typed, setTyped] = useState<string>()
  const text = typed ?? value
  const bad = text !== value && (!KEY.test(text) || taken.includes(text))
  return (
    <label className="block">
      <span className="lab block mb-1">
        {title}
        <span className="sr-only">, {of}</span>
      </span>
      <input
        className={`bg-blank border-b-2 w-20 px-1 h-9 max-md:h-12 mono ${bad ? 'border-stop' : 'border-ink'}`}
        aria-invalid={bad}
        maxLength={40}
        value={text}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => {
          if (!bad && text !== value) onChange(text)
          setTyped(undefined)
        }}
      />
      {bad ? <span className="error block">letters and digits, none twice</span> : null}
    </label>
  )
}
