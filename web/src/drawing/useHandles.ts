import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import { roundToStep } from '@nachtigal/core/units/displayRound'

/** A place on an instrument, in the units of its axes. */
interface Spot {
  readonly x: number
  readonly y: number
}

/** One thing on an instrument that a hand can take. */
interface Handle {
  readonly id: string
  readonly label: string
  readonly at: Spot
  /** How far a key moves it along each axis; 0 where it does not move that way. */
  readonly step: Spot
  /** What a reader says: value with unit, and what is wrong there. */
  readonly says: string
  /** Ends of the axis that it is told by: up and down where it moves that way. */
  readonly low: number
  readonly high: number
  readonly move: (to: Spot, done: boolean) => void
}

/** Keys are told to the log once the hand rests. */
const REST_MS = 600

const keySteps: Readonly<Record<string, Spot>> = {
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
  ArrowRight: { x: 1, y: 0 },
  ArrowLeft: { x: -1, y: 0 },
  PageUp: { x: 0, y: 10 },
  PageDown: { x: 0, y: -10 },
}

const onStep = (value: number, step: number) => (step > 0 ? roundToStep(value, step) : value)

/**
 * Handles of a drawing: dragged with a finger or a mouse, moved by arrow keys step by step (Shift by ten), told to screen readers as
 * sliders. While it moves `move` hears `done` false; once it is let go, or the keys rest, true.
 * @param toSpot where a pointer stands, in the units of the axes
 */
export function useHandles(toSpot: (event: PointerEvent) => Spot) {
  const [held, setHeld] = useState<{ readonly id: string; readonly offset: Spot } | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const pending = useRef<(() => void) | undefined>(undefined)
  const settle = () => {
    clearTimeout(timer.current)
    timer.current = undefined
    const told = pending.current
    pending.current = undefined
    told?.()
  }
  const handle = ({ id, label, at, step, says, low, high, move }: Handle) => {
    const dragged = (event: PointerEvent, offset: Spot): Spot => {
      const spot = toSpot(event)
      return {
        x: step.x > 0 ? onStep(spot.x + offset.x, step.x) : at.x,
        y: step.y > 0 ? onStep(spot.y + offset.y, step.y) : at.y,
      }
    }
    const upright = step.y > 0
    const now = upright ? at.y : at.x
    return {
      role: 'slider',
      tabIndex: 0,
      'data-handle': id,
      'aria-label': label,
      'aria-orientation': upright ? ('vertical' as const) : ('horizontal' as const),
      // A limit may lie beyond what is drawn: what it stands at is told all the same.
      'aria-valuemin': Number(Math.min(low, now).toFixed(2)),
      'aria-valuemax': Number(Math.max(high, now).toFixed(2)),
      'aria-valuenow': Number(now.toFixed(2)),
      'aria-valuetext': says,
      className: `scale-handle ${step.x > 0 && step.y > 0 ? 'cursor-move' : upright ? 'cursor-ns-resize' : 'cursor-ew-resize'}`,
      style: { touchAction: 'none' as const },
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        event.stopPropagation()
        event.currentTarget.setPointerCapture(event.pointerId)
        const spot = toSpot(event)
        setHeld({ id, offset: { x: at.x - spot.x, y: at.y - spot.y } })
      },
      onPointerMove: (event: PointerEvent<SVGElement>) => {
        if (held?.id === id) move(dragged(event, held.offset), false)
      },
      onPointerUp: (event: PointerEvent<SVGElement>) => {
        if (held?.id !== id) return
        move(dragged(event, held.offset), true)
        setHeld(null)
      },
      onPointerCancel: () => setHeld(null),
      onKeyDown: (event: KeyboardEvent) => {
        const by = keySteps[event.key]
        if (!by || (by.x !== 0 && step.x === 0 && step.y === 0)) return
        // On a handle that moves one way only, the other pair of arrows does the same.
        const [x, y] = step.x === 0 ? [0, by.y + by.x] : step.y === 0 ? [by.x + by.y, 0] : [by.x, by.y]
        event.preventDefault()
        const times = event.shiftKey ? 10 : 1
        const to = {
          x: onStep(at.x + x * times * step.x, step.x),
          y: onStep(at.y + y * times * step.y, step.y),
        }
        move(to, false)
        clearTimeout(timer.current)
        pending.current = () => move(to, true)
        timer.current = setTimeout(settle, REST_MS)
      },
      onBlur: settle,
    }
  }
  return { handle, held: held?.id }
}

/** Where a pointer stands in the coordinates of a drawing, however it is scaled into its box. */
export function svgSpot(
  svg: SVGSVGElement,
  event: { clientX: number; clientY: number },
  width: number,
  height: number,
): Spot {
  const box = svg.getBoundingClientRect()
  const scale = Math.max(width / box.width, height / box.height)
  return {
    x: (event.clientX - box.left - (box.width - width / scale) / 2) * scale,
    y: (event.clientY - box.top - (box.height - height / scale) / 2) * scale,
  }
}
