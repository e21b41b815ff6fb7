import { useState, type ReactNode } from 'react'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import {
  formatQuantity,
  formatValue,
  type Quantity,
  quantityView,
  type UnitPreferences,
} from '@nachtigal/core/units/quantity'
import { drafted, draftCleared } from '../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../state/store'
import { Field } from './Field'

interface Props {
  readonly label: string
  /** Names the field across the application, so that what is typed survives whatever happens to the screen. */
  readonly draftKey: string
  readonly value: number | undefined
  /** What it is a field of: its quantity and its bounds are declared there. */
  readonly field?: DeclaredNumber
  /** Quantity where it is shown as another than its field's, or has no field. */
  readonly quantity?: Quantity
  readonly preferences: UnitPreferences
  /** Bounds that follow from what else is there, SI, where no field declares them; `over` cannot be reached. */
  readonly low?: number
  readonly high?: number
  readonly over?: number
  readonly required?: boolean
  /** SI; answers what is wrong, or nothing. `undefined` means the field was emptied. */
  readonly onCommit: (value: number | undefined, typed: string) => string | undefined | void
  readonly placeholder?: string
  readonly aside?: ReactNode
  readonly finding?: 'stop' | 'look' | undefined
  readonly hint?: string
  readonly big?: boolean
  readonly className?: string
  readonly decimals?: number
  readonly stepSi?: number
  readonly inputRef?: (input: HTMLInputElement | null) => void
  /** Shown text instead of the formatted value: a reading stays as typed. */
  readonly shown?: string
  /** Fact of the loop that it asks for. */
  readonly fact?: string | undefined
}

/** A number that is declared as a field: of a document, a device or a calculation. */
export interface DeclaredNumber {
  readonly quantity: Quantity
  readonly min?: number
  readonly max?: number
  readonly over?: number
}

type Bounds = Pick<Props, 'preferences' | 'low' | 'high' | 'over'> & { readonly quantity: Quantity }

/** What a field takes: as it is declared, narrower where what else is there says so. */
function boundsOf({ field, quantity, low, high, over, preferences }: Props): Bounds {
  const least = low ?? (over === undefined ? field?.min : undefined)
  const most = high ?? field?.max
  const above = over ?? (low === undefined ? field?.over : undefined)
  return {
    quantity: quantity ?? field?.quantity ?? 'factor',
    preferences,
    ...(least === undefined ? {} : { low: least }),
    ...(most === undefined ? {} : { high: most }),
    ...(above === undefined ? {} : { over: above }),
  }
}

const allowed = ({ quantity, preferences, low, high, over }: Bounds) => {
  const say = (si: number) => formatQuantity(si, quantity, preferences)
  if (over !== undefined) return `over ${say(over)}${high === undefined ? '' : `, up to ${say(high)}`}`
  if (low !== undefined && high !== undefined) return `${say(low)} to ${say(high)}`
  if (low !== undefined) return `${say(low)} or more`
  return 'a number such as 21.5'
}

const unitsIn = (units: readonly string[]) => (units.length === 0 ? '' : `, in ${units.join(', ')}`)

/** A number with its unit: typed with comma or point, kept as a draft until it is one, refused with what is allowed. */
export function NumberField(props: Props) {
  const {
    label,
    draftKey,
    value,
    preferences,
    onCommit,
    placeholder,
    aside,
    finding,
    hint,
    big,
    className,
    required,
    decimals,
    stepSi,
  } = props
  const bounds = boundsOf(props)
  const { quantity } = bounds
  const dispatch = useAppDispatch()
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const [answer, setAnswer] = useState<string>()
  const [checked, setChecked] = useState(draft !== undefined)
  const view = quantityView(quantity, preferences)
  const formatted = props.shown ?? (value === undefined ? '' : formatValue(value, quantity, preferences, decimals))
  const text = draft ?? formatted

  const wrong = (typed: string): string | undefined => {
    if (typed.trim() === '') return required ? `${label} is empty: it takes ${allowed(bounds)}.` : undefined
    const read = parseQuantity(typed, quantity, preferences)
    if (!read.ok)
      return `${label} is \u201c${typed.slice(0, 30)}\u201d: it takes ${allowed(bounds)}${unitsIn(read.units)}.`
    const { si } = read
    const { low = -Infinity, high = Infinity, over = -Infinity } = bounds
    return si < low - 1e-9 || si > high + 1e-9 || si <= over
      ? `${label} is ${typed.trim()}${view.label && !read.along ? `\u00a0${view.label}` : ''}: it takes ${allowed(bounds)}.`
      : undefined
  }
  const commit = (typed: string) => {
    setChecked(true)
    if (typed === formatted && answer === undefined) {
      dispatch(draftCleared(draftKey))
      return
    }
    if (wrong(typed) !== undefined) return
    const read = parseQuantity(typed, quantity, preferences)
    const refused = onCommit(read.ok ? read.si : undefined, typed.trim()) ?? undefined
    setAnswer(refused)
    if (refused === undefined) dispatch(draftCleared(draftKey))
  }
  const nudge = (steps: number) => {
    const read = parseQuantity(text, quantity, preferences)
    if (!read.ok || stepSi === undefined) return
    const next = formatValue(read.si + steps * stepSi, quantity, preferences, decimals)
    dispatch(drafted({ key: draftKey, text: next }))
    commit(next)
  }
  const error = draft !== undefined && checked ? (wrong(draft) ?? answer) : undefined
  return (
    <Field
      label={label}
      aside={aside}
      error={error}
      finding={finding}
      unit={view.label}
      big={big ?? false}
      hint={hint}
      className={className ?? ''}
    >
      {(ids) => (
        <input
          {...ids}
          ref={props.inputRef}
          data-fact={props.fact}
          type="text"
          inputMode="decimal"
          autoComplete="off"
          maxLength={40}
          value={text}
          placeholder={placeholder}
          onChange={(event) => {
            setChecked(false)
            setAnswer(undefined)
            dispatch(drafted({ key: draftKey, text: event.target.value }))
          }}
          onBlur={() => {
            if (draft !== undefined) commit(draft)
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit(text)
            else if (event.key === 'Escape') {
              dispatch(draftCleared(draftKey))
              setAnswer(undefined)
            } else if (stepSi !== undefined && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
              event.preventDefault()
              nudge((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1))
            }
          }}
        />
      )}
    </Field>
  )
}
