import type { ReactNode } from 'react'
import { type ContactExpression, runs } from '@nachtigal/core/wiring/contactLogic'
import { sayExpression } from '@nachtigal/core/wiring/parseExpression'

/** What may be done with the drawing beyond looking at it. */
interface Play {
  /** Contacts that are held closed; none where it is only drawn. */
  readonly closed?: ReadonlySet<string>
  readonly onFlip?: ((name: string) => void) | undefined
}

interface Laid {
  readonly width: number
  readonly height: number
  /** Draws itself with its line entering at x, y; it leaves at x + width. */
  readonly draw: (x: number, y: number, width: number) => ReactNode
}

const LEAF = { width: 118, height: 46 }
const GAP = 14

function contact(name: string, opens: boolean, { closed, onFlip }: Play): Laid {
  const on = closed?.has(name) === true
  const flips = onFlip && !opens
  const shown = name.length > 15 ? `${name.slice(0, 14)}…` : name
  return {
    ...LEAF,
    draw: (x, y, width) => {
      const middle = x + width / 2
      return (
        <g className={flips ? 'cursor-pointer' : undefined} onClick={flips ? () => onFlip(name) : undefined}>
          {flips ? <rect x={middle - 50} y={y - 30} width={100} height={46} fill="transparent" /> : null}
          <path d={`M${x} ${y}H${middle - 14}M${middle + 14} ${y}H${x + width}`} stroke="var(--ink)" strokeWidth="2" />
          <circle cx={middle - 14} cy={y} r="2.5" fill="var(--ink)" />
          <circle cx={middle + 14} cy={y} r="2.5" fill="var(--blank)" stroke="var(--ink)" strokeWidth="1.5" />
          <path
            d={
              opens
                ? `M${middle - 14} ${y}L${middle + 16} ${y + 5}`
                : on
                  ? `M${middle - 14} ${y}L${middle + 14} ${y}`
                  : `M${middle - 14} ${y}L${middle + 12} ${y - 11}`
            }
            stroke="var(--ink)"
            strokeWidth={on ? 4 : 2}
          />
          <text x={middle} y={y - 16} fontSize="13" fontWeight={on ? 700 : 400} textAnchor="middle">
            {opens ? `not ${shown}` : shown}
          </text>
        </g>
      )
    },
  }
}

function lay(expression: ContactExpression, play: Play): Laid {
  if (typeof expression === 'string') return contact(expression, false, play)
  if ('not' in expression)
    return contact(typeof expression.not === 'string' ? expression.not : sayExpression(expression.not), true, play)
  const parts = ('and' in expression ? expression.and : expression.or).map((part) => lay(part, play))
  if (parts.length === 1) return parts[0]!
  if ('and' in expression) {
    const width = parts.reduce((sum, part) => sum + part.width, 0)
    return {
      width,
      height: Math.max(...parts.map(({ height }) => height)),
      draw: (x, y, given) => {
        let at = x
        return parts.map((part, i) => {
          const wide = (part.width * given) / width
          const drawn = <g key={i}>{part.draw(at, y, wide)}</g>
          at += wide
          return drawn
        })
      },
    }
  }
  const inner = Math.max(...parts.map(({ width }) => width))
  return {
    width: inner + 2 * GAP,
    height: parts.reduce((sum, { height }) => sum + height, 0),
    draw: (x, y, given) => {
      let down = 0
      const rows = parts.map((part) => {
        const at = y + down
        down += part.height
        return { part, at }
      })
      const last = rows[rows.length - 1]!.at
      return (
        <g>
          <path
            d={`M${x} ${y}H${x + GAP}V${last}M${x + given} ${y}H${x + given - GAP}V${last}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          {rows.map(({ part, at }, i) => (
            <g key={i}>{part.draw(x + GAP, at, given - 2 * GAP)}</g>
          ))}
        </g>
      )
    },
  }
}

/** Contacts as a line from the supply to the load: in series along it, in parallel under one another. */
export function ContactsDrawing({
  expression,
  label,
  load,
  closed,
  onFlip,
}: Play & {
  readonly expression: ContactExpression
  readonly label: string
  /** Tag of the load, where it is one of a chain. */
  readonly load?: string
}) {
  const laid = lay(expression, { ...(closed ? { closed } : {}), onFlip })
  const width = Math.max(laid.width, 300)
  const lit = closed !== undefined && runs(expression, closed)
  return (
    <svg viewBox={`0 0 ${width + 70} ${laid.height + 20}`} role="img" aria-label={label} className="w-full max-h-full">
      <path d={`M8 20V${laid.height + 10}`} stroke="var(--ink)" strokeWidth="3" />
      <path d="M8 38H20" stroke="var(--ink)" strokeWidth="2" />
      {laid.draw(20, 38, width)}
      <circle
        cx={width + 36}
        cy={38}
        r="14"
        fill={lit ? 'var(--mark)' : 'var(--blank)'}
        stroke="var(--ink)"
        strokeWidth={lit ? 3.5 : 1.5}
      />
      {load === undefined ? null : (
        <text x={width + 36} y={16} fontSize="13" textAnchor="middle" fontWeight={lit ? 700 : 400}>
          {load}
        </text>
      )}
      <path d={`M${width + 20} 38H${width + 22}`} stroke="var(--ink)" strokeWidth="2" />
      <path
        d={`M${width + 26} 28L${width + 46} 48M${width + 46} 28L${width + 26} 48`}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path
        d={`M${width + 50} 38H${width + 62}M${width + 62} 20V${laid.height + 10}`}
        stroke="var(--ink)"
        strokeWidth="2"
      />
    </svg>
  )
}
