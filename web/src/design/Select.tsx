import { ChevronDown } from 'lucide-react'
import { type ComponentProps, useImperativeHandle, useLayoutEffect, useRef, useState } from 'react'

/**
 * The system's own list, which works with a thumb, a key and a reader everywhere, under a face that shows what is chosen whole: on two or
 * three lines where it is long, and never under the arrow.
 */
export function Select({ ref, className = '', onChange, children, ...rest }: ComponentProps<'select'>) {
  const list = useRef<HTMLSelectElement>(null)
  const [shown, setShown] = useState('')
  useImperativeHandle(ref, () => list.current!)
  // What is chosen may also come from a form that sets it by itself: looked at after each rendering.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useLayoutEffect(() => {
    setShown(list.current?.selectedOptions[0]?.text ?? '')
  })
  return (
    <span className={`select ${shown.length > SHORT ? 'long' : ''} ${className}`}>
      <span className="select-shown" aria-hidden>
        {shown}
      </span>
      <span className="select-arrow" aria-hidden>
        <ChevronDown size={18} strokeWidth={1.5} />
      </span>
      <select
        {...rest}
        ref={list}
        onChange={(event) => {
          setShown(event.target.selectedOptions[0]?.text ?? '')
          onChange?.(event)
        }}
      >
        {children}
      </select>
    </span>
  )
}

/** Letters that stand in one line of the text face. */
const SHORT = 12
