import { useState } from 'react'
import type { Field as Declared, Fields, MapField, NumberField } from '@nachtigal/core/schema/field'
import { probeName } from '@nachtigal/core/probes/probeName'
import { sameCurve } from '@nachtigal/core/probes/sameCurve'
import type { Probe } from '@nachtigal/core/probes/probe'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import { formatQuantity, quantityView, type UnitPreferences } from '@nachtigal/core/units/quantity'
import { Field } from '../../design/Field'
import { Tick } from '../../design/Tick'
import { useShelf } from './shelfContext'
import { Select } from '../../design/Select'

export type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object' && !Array.isArray(value)
export const treeAt = (value: unknown): Tree => (isTree(value) ? value : {})

interface Props {
  readonly fields: Fields
  readonly value: Tree
  readonly onChange: (next: Tree) => void
  /** The whole device: fields may name its terminals, its keys, its parameters. */
  readonly device: Tree
  /** Names the fields for a reader where the same stand there many times. */
  readonly of?: string
  /** Stands before the first field, in its row. */
  readonly head?: React.ReactNode
}

/** The fields of a device's form, as they are declared; nothing here knows what a device is. */
export function SpecFields({ fields, value, onChange, device, of = '', head }: Props) {
  const put = (key: string, next: unknown) => {
    const { [key]: _old, ...rest } = value
    onChange(next === undefined ? rest : { ...rest, [key]: next })
  }
  const typed = Object.entries(fields).filter(([key, spec]) => key !== 'order' && spec.type !== 'constant')
  const plain = typed.filter(([, spec]) => !isLarge(spec))
  const large = typed.filter(([, spec]) => isLarge(spec))
  return (
    <div className="grid gap-4">
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-5 items-end">
        {head}
        {plain.map(([key, spec]) => (
          <Plain key={key} spec={spec} value={value[key]} onChange={(next) => put(key, next)} device={device} of={of} />
        ))}
      </div>
      {large.map(([key, spec]) => (
        <Large key={key} spec={spec} value={value[key]} onChange={(next) => put(key, next)} device={device} of={of} />
      ))}
    </div>
  )
}

const isLarge = ({ type }: Declared) => type === 'record' || type === 'map' || type === 'open'

/** Entries of another part of the device that a field names, each with what it is called. */
function namedIn(device: Tree, part: string): readonly (readonly [id: string, title: string])[] {
  const entries = part.split('.').reduce<Tree>((tree, key) => treeAt(tree[key]), device)
  return Object.entries(entries).map(([id, each]) => {
    const { label, title, name } = treeAt(each)
    return [id, String(label ?? title ?? name ?? id)] as const
  })
}

interface One<F extends Declared = Declared> {
  readonly spec: F
  readonly value: unknown
  readonly onChange: (next: unknown) => void
  readonly device: Tree
  readonly of: string
}

const words = (choice: string) => choice.replace(/-/g, ' ')

function Plain({ spec, value, onChange, device, of }: One) {
  const title = spec.word ?? ''
  const label = of ? `${title}, ${of}` : title
  const shown = <span aria-hidden={of ? true : undefined}>{title}</span>
  const named = of ? (
    <>
      {shown}
      <span className="sr-only">{label}</span>
    </>
  ) : (
    title
  )
  const choose = (
    options: readonly (readonly [value: string, title: string])[],
    held: string,
    take: (chosen: string) => unknown,
  ) => (
    <Field label={named} text>
      {(ids) => (
        <Select
          {...ids}
          value={held}
          onChange={(event) => onChange(event.target.value === '' ? undefined : take(event.target.value))}
        >
          <option value="">{spec.optional ? 'none' : 'choose'}</option>
          {options.map(([option, each]) => (
            <option key={option} value={option}>
              {each}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
  const held = typeof value === 'string' ? value : ''
  switch (spec.type) {
    case 'text':
      if (spec.names !== undefined) return choose(namedIn(device, spec.names), held, (chosen) => chosen)
      return (
        <Field label={named} text>
          {(ids) => (
            <input
              {...ids}
              maxLength={spec.longest}
              autoComplete="off"
              value={held}
              onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
              onBlur={(event) => onChange(event.target.value.trim() || undefined)}
            />
          )}
        </Field>
      )
    case 'number':
      return <NumberInput spec={spec} value={value} onChange={onChange} label={named} />
    case 'choice':
      return choose(
        spec.choices.map((option) => [option, spec.says?.[option] ?? words(option)] as const),
        held,
        (chosen) => chosen,
      )
    case 'figure':
      return choose(
        spec.among.map((figure) => [String(figure), String(figure)] as const),
        typeof value === 'number' ? String(value) : '',
        Number,
      )
    case 'yes':
      return choose(
        [
          ['true', 'yes'],
          ['false', 'no'],
        ],
        typeof value === 'boolean' ? String(value) : '',
        (chosen) => chosen === 'true',
      )
    case 'either':
      return <EitherInput spec={spec} value={value} onChange={onChange} label={named} />
    case 'flag':
      return (
        <Tick checked={value === true} onChange={(on) => onChange(on ? true : undefined)}>
          {named}
        </Tick>
      )
    case 'variant':
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
  spec: NumberField
  value: unknown
  onChange: (next: unknown) => void
  label: React.ReactNode
}) {
  const { preferences } = useShelf()
  const view = quantityView(spec.quantity, preferences)
  const own = typeof value === 'number' ? String(Number(view.toShown(value).toPrecision(10))) : ''
  const [typed, setTyped] = useState<string>()
  const text = typed ?? own
  const read = parseQuantity(text, spec.quantity, preferences)
  const wrong =
    typed === undefined || typed.trim() === ''
      ? undefined
      : read.ok
        ? outOfBounds(spec, read.si, preferences)
        : `${spec.word ?? ''} is \u201c${typed.slice(0, 20)}\u201d: it takes a number such as 21.5.`
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
            const next = parseQuantity(event.target.value, spec.quantity, preferences)
            onChange(next.ok ? next.si : undefined)
          }}
          onBlur={() => {
            if (!wrong) setTyped(undefined)
          }}
        />
      )}
    </Field>
  )
}

/** What a figure that a field does not take is told. */
function outOfBounds({ word = '', quantity, min, max, over }: NumberField, si: number, preferences: UnitPreferences) {
  const say = (bound: number) => formatQuantity(bound, quantity, preferences)
  if (over !== undefined && si <= over) return `${word} is ${say(si)}: it must be over ${say(over)}.`
  if (min !== undefined && si < min) return `${word} is ${say(si)}: it must be ${say(min)} or more.`
  if (max !== undefined && si > max) return `${word} is ${say(si)}: it must be ${say(max)} or less.`
  return undefined
}

/** A number, or a text in its place. */
function EitherInput({
  spec,
  value,
  onChange,
  label,
}: {
  spec: Extract<Declared, { type: 'either' }>
  value: unknown
  onChange: (next: unknown) => void
  label: React.ReactNode
}) {
  return (
    <Field label={label} text>
      {(ids) => (
        <input
          {...ids}
          autoComplete="off"
          maxLength={spec.longest}
          value={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
          onChange={(event) => {
            const typed = event.target.value
            const plain = typed.trim() !== '' && String(Number(typed)) === typed.trim()
            onChange(typed === '' ? undefined : plain ? Number(typed) : typed)
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
        <Select
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
        </Select>
      )}
    </Field>
  )
}

/** Marks that stand together: each there or left out. */
const marksOf = (fields: Fields) => Object.values(fields).every(({ type, optional }) => type === 'flag' && optional)

function Large({ spec, value, onChange, device, of }: One) {
  const heading = <span className="h3">{spec.word}</span>
  if (spec.type === 'open') return <OpenInput spec={spec} value={value} onChange={onChange} device={device} of={of} />
  if (spec.type === 'map')
    return <Entries spec={spec} value={value} onChange={onChange} device={device} of={of} heading={heading} />
  if (spec.type !== 'record') return null
  const held = treeAt(value)
  const put = (next: Tree) => onChange(spec.optional && Object.keys(next).length === 0 ? undefined : next)
  if (marksOf(spec.fields))
    return (
      <fieldset>
        <legend className="lab">{spec.word}</legend>
        <div className="flex flex-wrap gap-x-5">
          {Object.entries(spec.fields).map(([key, { word = key }]) => (
            <Tick
              key={key}
              checked={held[key] === true}
              onChange={(on) => {
                const { [key]: _old, ...rest } = held
                put(on ? { ...rest, [key]: true } : rest)
              }}
              className="max-md:min-h-12"
            >
              {words(word)}
            </Tick>
          ))}
        </div>
      </fieldset>
    )
  const fields = <SpecFields fields={spec.fields} value={held} onChange={put} device={device} of={of} />
  // What most devices have not is there to be opened: a leaflet is read from the top.
  return spec.optional ? (
    <Folded heading={heading} open={Object.keys(held).length > 0}>
      {fields}
    </Folded>
  ) : (
    <fieldset className="border-l-2 border-line pl-4 min-w-0">
      <legend className="mb-2">{heading}</legend>
      {fields}
    </fieldset>
  )
}

/** A part that may be left out, folded away while nothing is in it. It stays open once it was, so that the field in hand is not lost. */
function Folded({ heading, open, children }: { heading: React.ReactNode; open: boolean; children: React.ReactNode }) {
  const [begunOpen] = useState(open)
  return (
    <details open={begunOpen} className="border-l-2 border-line pl-4 min-w-0">
      <summary className="min-h-8 max-md:min-h-12 flex items-center gap-2 cursor-pointer">
        {heading} <span className="small text-ink2">if it has one</span>
      </summary>
      <div className="pt-2">{children}</div>
    </details>
  )
}

/** What has no fields of its own: an object as JSON. */
function OpenInput({ spec, value, onChange, of }: One) {
  const [typed, setTyped] = useState<string>()
  const text = typed ?? JSON.stringify(treeAt(value))
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    read = undefined
  }
  const label = `${spec.word ?? ''}, ${of}`
  return (
    <Field label={label} text error={isTree(read) ? undefined : 'This is no object in JSON, such as {"lowC": -40}.'}>
      {(ids) => (
        <input
          {...ids}
          className="mono"
          autoComplete="off"
          maxLength={4000}
          value={text}
          onChange={(event) => {
            setTyped(event.target.value)
            try {
              const next: unknown = JSON.parse(event.target.value)
              if (isTree(next)) onChange(next)
            } catch {
              // Not yet whole: it is told below, and what stood there stays.
            }
          }}
          onBlur={() => {
            if (isTree(read)) setTyped(undefined)
          }}
        />
      )}
    </Field>
  )
}

function Entries({ spec, value, onChange, device, heading }: One<MapField> & { heading: React.ReactNode }) {
  const held = treeAt(value)
  const member = spec.of
  const one = (member.word ?? 'entry').toLowerCase()
  const kinds = member.type === 'variant' ? member.of : undefined
  const placed = member.type === 'record' && Object.hasOwn(member.fields, 'order')
  const orderOf = (each: unknown) => Number(treeAt(each)['order'] ?? 0)
  const entries = Object.entries(held).sort(([, a], [, b]) => orderOf(a) - orderOf(b))
  const begun = (kind: string | undefined): unknown => {
    if (member.type === 'flag') return true
    if (member.type !== 'record' && member.type !== 'variant') return member.type === 'open' ? {} : ''
    const order = entries.reduce((most, [, each]) => Math.max(most, orderOf(each)), 0) + 1
    return { ...(placed ? { order } : {}), ...(kind === undefined ? {} : { kind }) }
  }
  const add = (kind?: string) => {
    let n = entries.length + 1
    while (Object.hasOwn(held, `${one[0]}${n}`)) n++
    onChange({ ...held, [`${one[0]}${n}`]: begun(kind) })
  }
  const rows = (
    <div className="grid gap-4">
      {entries.map(([key, each]) => {
        const row = treeAt(each)
        const put = (next: unknown) => onChange({ ...held, [key]: next })
        const head = (
          <div className="flex items-end gap-4 pb-1">
            <KeyInput
              title={kinds ? (kinds[String(row['kind'])]?.word ?? words(String(row['kind']))) : 'Id'}
              of={`${one} ${key}`}
              value={key}
              taken={Object.keys(held)}
              onChange={(next) =>
                onChange(Object.fromEntries(Object.entries(held).map(([id, v]) => [id === key ? next : id, v])))
              }
            />
            <button
              type="button"
              className="third min-h-8 max-md:min-h-12"
              aria-label={`Take ${one} ${key} out`}
              onClick={() => {
                const { [key]: _gone, ...rest } = held
                onChange(rest)
              }}
            >
              Remove
            </button>
          </div>
        )
        const record = member.type === 'record' ? member : kinds?.[String(row['kind'])]
        return (
          <div key={key} className="border-b border-line pb-2">
            {record || kinds ? (
              <SpecFields
                fields={record?.fields ?? {}}
                value={row}
                onChange={put}
                device={device}
                of={`${one} ${key}`}
                head={head}
              />
            ) : (
              <div className="flex flex-wrap items-end gap-4">
                {head}
                {member.type === 'flag' ? null : member.type === 'open' ? (
                  <OpenInput spec={member} value={each} onChange={put} device={device} of={`${one} ${key}`} />
                ) : (
                  <Plain
                    spec={member}
                    value={each}
                    onChange={(next) => put(next ?? '')}
                    device={device}
                    of={`${one} ${key}`}
                  />
                )}
              </div>
            )}
          </div>
        )
      })}
      {kinds ? (
        <label className="flex items-center gap-3">
          <span className="lab">Add a {one}</span>
          <Select
            className="bg-blank border-b-2 border-ink h-9 max-md:h-12"
            value=""
            onChange={(event) => add(event.target.value)}
          >
            <option value="">choose what for</option>
            {Object.entries(kinds).map(([kind, { word }]) => (
              <option key={kind} value={kind}>
                {word ?? words(kind)}
              </option>
            ))}
          </Select>
        </label>
      ) : (
        <button type="button" className="third justify-self-start min-h-10 max-md:min-h-12" onClick={() => add()}>
          Add {/^[aeiou]/.test(one) ? 'an' : 'a'} {one}
        </button>
      )}
    </div>
  )
  return spec.optional ? (
    <Folded heading={heading} open={entries.length > 0}>
      {rows}
    </Folded>
  ) : (
    <fieldset className="border-l-2 border-line pl-4 min-w-0">
      <legend className="mb-2">{heading}</legend>
      {rows}
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
