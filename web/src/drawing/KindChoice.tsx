import { RadioGroup } from 'radix-ui'
import { useEffect, useRef } from 'react'
import { type LoopKind, loopKinds } from '@nachtigal/core/kinds/ids'
import { KindSign } from './KindSign'
import { kindSign } from '@nachtigal/core/kinds/kindSigns'

interface Props {
  readonly kind: LoopKind | undefined
  readonly onChoose: (kind: LoopKind) => void
  readonly error?: string | undefined
  /** It is where one begins: keys go to it at once. */
  readonly focused?: boolean
}

/** Which kind of loop it is: each with its drawing, one of them chosen. */
export function KindChoice({ kind, onChoose, error, focused = false }: Props) {
  // The group moves the focus a moment after the key, and chooses only while the key is still down: on a slow
  // machine a short press would move without choosing.
  const byArrow = useRef(false)
  const choices = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (focused) choices.current?.querySelector<HTMLElement>('[role="radio"]')?.focus()
  }, [focused])
  return (
    <div>
      <p className="lab mb-1" id="kind-label">
        Kind
      </p>
      <RadioGroup.Root
        ref={choices}
        className="grid grid-cols-2 gap-px bg-line border border-line"
        aria-labelledby="kind-label"
        aria-invalid={error !== undefined}
        aria-describedby={error ? 'kind-error' : undefined}
        value={kind ?? ''}
        onValueChange={(next) => onChoose(next as LoopKind)}
        onKeyDown={({ key }) => {
          byArrow.current = key.startsWith('Arrow')
        }}
      >
        {loopKinds.map((each, i) => (
          <RadioGroup.Item
            key={each}
            value={each}
            onFocus={() => {
              if (byArrow.current && kind !== each) onChoose(each)
              byArrow.current = false
            }}
            className={`flex items-center gap-3 px-2 py-1.5 min-h-12 text-left bg-paper hover:bg-mark ${i === loopKinds.length - 1 && i % 2 === 0 ? 'col-span-2' : ''} ${kind === each ? 'chosen' : ''}`}
          >
            <KindSign kind={each} />
            <span className="cond font-semibold text-[17px] leading-5">{kindSign(each).word}</span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {error ? (
        <p id="kind-error" role="alert" className="error">
          {error}
        </p>
      ) : null}
    </div>
  )
}
