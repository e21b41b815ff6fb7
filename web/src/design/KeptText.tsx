import { useState } from 'react'
import { Field } from './Field'

interface Props {
  readonly label: string
  readonly value?: string | undefined
  readonly placeholder?: string
  readonly most?: number
  /** What is wrong with what was typed, before it is kept. */
  readonly wrong?: (text: string) => string | undefined
  /** Answers what is wrong, or nothing. */
  readonly onKeep: (text: string) => string | undefined
}

/** A line of text that is kept when one leaves it; refused with what is allowed, and what was typed stays. */
export function KeptText({ label, value = '', placeholder, most = 120, wrong = () => undefined, onKeep }: Props) {
  const [text, setText] = useState<string>()
  const [problem, setProblem] = useState<string>()
  return (
    <Field label={label} text error={problem}>
      {(ids) => (
        <input
          {...ids}
          value={text ?? value}
          maxLength={most}
          placeholder={placeholder}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => {
            if (text === undefined) return
            const said = text.trim()
            const refused = wrong(said) ?? (said === value ? undefined : onKeep(said))
            setProblem(refused)
            if (refused === undefined) setText(undefined)
          }}
        />
      )}
    </Field>
  )
}
