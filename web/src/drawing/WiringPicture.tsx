import { useEffect, useRef, useState } from 'react'
import { Maximize2, ZoomIn, ZoomOut } from 'lucide-react'
import type { Picture, PictureBlock, PictureText } from '@nachtigal/core/wiring/picture/picture'
import { pathOf, symbolPath } from '@nachtigal/core/wiring/picture/svgText'

interface Props {
  readonly picture: Picture
  readonly chosen: string | undefined
  readonly landed: (row: string) => boolean
  readonly onChoose: (row: string) => void
  /** Up and down the list. */
  readonly onStep: (by: number) => void
  readonly closed: (device: string, port: string) => boolean
  readonly canFlip: (device: string, port: string) => boolean
  readonly onFlip: (device: string, port: string) => void
  /** Whether a load runs as the contacts stand; undefined for what is no load. */
  readonly runs: (device: string) => boolean | undefined
  readonly children?: React.ReactNode
}

const faces: Record<PictureText['style'], { readonly font: string; readonly fill: string }> = {
  head: { font: '600 16px "Barlow Condensed"', fill: 'var(--ink)' },
  title: { font: '600 16px "Barlow Condensed"', fill: 'var(--ink)' },
  note: { font: '500 13px "Barlow Condensed"', fill: 'var(--ink2)' },
  warn: { font: '500 13px "Barlow Condensed"', fill: 'var(--look)' },
  terminal: { font: '400 13px "B612 Mono"', fill: 'var(--ink)' },
  number: { font: '400 12px B612', fill: 'var(--ink)' },
}

function Text({ each }: { each: PictureText }) {
  const { font, fill } = faces[each.style]
  return (
    <text x={each.x} y={each.y} textAnchor={each.anchor} style={{ font }} fill={fill}>
      {each.text}
    </text>
  )
}

const ZOOMS = [0.5, 0.7, 1, 1.4, 2] as const

/** The picture of the wires: mains to the left, extra-low voltage to the right, the chosen wire lit. Zoom, pan, and walk it by arrow keys. */
export function WiringPicture({
  picture,
  chosen,
  landed,
  onChoose,
  onStep,
  closed,
  canFlip,
  onFlip,
  runs,
  children,
}: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const [zoom, setZoom] = useState<number>()
  const [fit, setFit] = useState(1)
  useEffect(() => {
    const box = frame.current
    if (!box) return
    const measure = () =>
      setFit(
        Math.max(
          0.4,
          Math.min(1.4, box.clientWidth / picture.width, Math.max(box.clientHeight / picture.height, 0.62)),
        ),
      )
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(box)
    return () => observer.disconnect()
  }, [picture.width, picture.height])
  const scale = zoom ?? fit
  const lit = picture.wires.find(({ row }) => row.id === chosen)
  useEffect(() => {
    const box = frame.current
    if (!box || !lit) return
    const xs = lit.points.map(({ x }) => x * scale)
    const ys = lit.points.map(({ y }) => y * scale)
    const into = (low: number, high: number, at: number, room: number) =>
      low < at ? low - 20 : high > at + room ? Math.min(low - 20, high - room + 20) : at
    box.scrollLeft = into(Math.min(...xs), Math.max(...xs), box.scrollLeft, box.clientWidth)
    box.scrollTop = into(Math.min(...ys), Math.max(...ys), box.scrollTop, box.clientHeight)
  }, [lit, scale])
  const grab = useRef<{ x: number; y: number; left: number; top: number }>(undefined)
  const step = (by: 1 | -1) => {
    const wanted = by > 0 ? ZOOMS.find((z) => z > scale + 0.01) : [...ZOOMS].reverse().find((z) => z < scale - 0.01)
    if (wanted !== undefined) setZoom(wanted)
  }
  return (
    <div className="relative flex-1 min-h-0 min-w-0 flex flex-col">
      <div
        ref={frame}
        className="flex-1 min-h-0 overflow-auto touch-pan-x touch-pan-y focus-visible:outline-2"
        tabIndex={0}
        role="group"
        aria-label="Picture of the wires: arrow keys walk from wire to wire, plus and minus zoom"
        onKeyDown={(event) => {
          const keys: Record<string, () => void> = {
            ArrowDown: () => onStep(1),
            ArrowRight: () => onStep(1),
            ArrowUp: () => onStep(-1),
            ArrowLeft: () => onStep(-1),
            '+': () => step(1),
            '-': () => step(-1),
            '0': () => setZoom(undefined),
          }
          const act = keys[event.key]
          if (!act || event.target !== event.currentTarget) return
          event.preventDefault()
          act()
        }}
        onPointerDown={(event) => {
          const box = frame.current
          if (
            box &&
            event.pointerType === 'mouse' &&
            event.target instanceof SVGElement &&
            !event.target.closest('[data-hit]')
          )
            grab.current = { x: event.clientX, y: event.clientY, left: box.scrollLeft, top: box.scrollTop }
        }}
        onPointerMove={(event) => {
          const box = frame.current
          if (!box || !grab.current) return
          box.scrollLeft = grab.current.left - (event.clientX - grab.current.x)
          box.scrollTop = grab.current.top - (event.clientY - grab.current.y)
        }}
        onPointerUp={() => (grab.current = undefined)}
        onPointerLeave={() => (grab.current = undefined)}
      >
        <svg
          width={picture.width * scale}
          height={picture.height * scale}
          viewBox={`0 0 ${picture.width} ${picture.height}`}
          className="block mx-auto"
          data-picture
        >
          <title>Wiring</title>
          {picture.gap ? <Gap {...picture.gap} /> : null}
          {picture.blocks.map((block) => (
            <Block
              key={block.device.id}
              block={block}
              lit={lit}
              closed={closed}
              canFlip={canFlip}
              onFlip={onFlip}
              runs={runs(block.device.id)}
            />
          ))}
          {picture.wires.map(({ row, points }) => {
            const d = pathOf(points)
            const isLit = row.id === chosen
            const mains = row.circuit === 'mains'
            return (
              <g key={row.id} data-hit onClick={() => onChoose(row.id)} className="cursor-pointer">
                <path d={d} fill="none" stroke="transparent" strokeWidth={14} />
                {isLit ? (
                  <>
                    <path d={d} fill="none" stroke="var(--ink)" strokeWidth={15} strokeLinejoin="round" />
                    <path d={d} fill="none" stroke="var(--mark)" strokeWidth={12} strokeLinejoin="round" />
                  </>
                ) : null}
                <path
                  d={d}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth={isLit ? 2.5 : mains ? 2 : 1.5}
                  strokeDasharray={landed(row.id) ? undefined : '7 5'}
                />
              </g>
            )
          })}
          {picture.wires.map(({ row, at }) => {
            const isLit = row.id === chosen
            const mark = row.liveFrom === undefined ? 0 : 13
            const width = String(row.number).length * 8 + 6 + mark
            return (
              <g key={row.id} data-hit onClick={() => onChoose(row.id)} className="cursor-pointer">
                <rect
                  x={at.x - width / 2}
                  y={at.y - 8.5}
                  width={width}
                  height={17}
                  fill={isLit ? 'var(--mark)' : 'var(--paper)'}
                  stroke={isLit ? 'var(--ink)' : 'none'}
                  strokeWidth={1.5}
                />
                <text
                  x={at.x - mark / 2}
                  y={at.y + 4.5}
                  textAnchor="middle"
                  style={{ font: `${isLit ? 700 : 400} 12px B612` }}
                  fill="var(--ink)"
                >
                  {row.number}
                </text>
                {mark > 0 ? (
                  <path d={`M${at.x + width / 2 - 8} ${at.y - 5}l6 10h-12z`} fill="var(--look)">
                    <title>{`stays live from ${row.liveFrom}`}</title>
                  </path>
                ) : null}
              </g>
            )
          })}
          {picture.heads.map((each) => (
            <Text key={each.text} each={each} />
          ))}
        </svg>
      </div>
      <div className="absolute right-2 bottom-2 flex bg-paper border border-edge">
        {(
          [
            ['Smaller', ZoomOut, () => step(-1)],
            ['Whole picture', Maximize2, () => setZoom(undefined)],
            ['Larger', ZoomIn, () => step(1)],
          ] as const
        ).map(([label, Icon, act]) => (
          <button
            key={label}
            type="button"
            aria-label={label}
            className="w-9 h-9 max-md:w-12 max-md:h-12 grid place-items-center"
            onClick={act}
          >
            <Icon size={18} strokeWidth={1.5} aria-hidden />
          </button>
        ))}
      </div>
      {children}
    </div>
  )
}

function Gap({ x, y, width, height }: { x: number; y: number; width: number; height: number }) {
  return (
    <>
      <defs>
        <pattern id="gap" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--line)" strokeWidth="2" />
        </pattern>
      </defs>
      <rect x={x} y={y} width={width} height={height} fill="url(#gap)" />
    </>
  )
}

interface BlockProps extends Pick<Props, 'closed' | 'canFlip' | 'onFlip'> {
  readonly block: PictureBlock
  readonly lit: Picture['wires'][number] | undefined
  readonly runs: boolean | undefined
}

function Block({ block, lit, closed, canFlip, onFlip, runs }: BlockProps) {
  const { device } = block
  const isEnd = (terminal: string) =>
    lit !== undefined && [lit.row.from, lit.row.to].some((end) => end.device === device.id && end.terminal === terminal)
  return (
    <g>
      <rect
        x={block.x}
        y={block.y}
        width={block.width}
        height={block.height}
        fill={runs ? 'var(--mark)' : 'var(--blank)'}
        stroke="var(--ink)"
        strokeWidth={runs ? 3 : 1.5}
      />
      {runs === undefined ? null : (
        <g aria-label={`${device.tag} ${runs ? 'runs' : 'rests'}`} role="img">
          <circle
            cx={block.x + block.width - 14}
            cy={block.y + 15}
            r={6}
            fill={runs ? 'var(--ink)' : 'none'}
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        </g>
      )}
      {block.terminals.map(({ terminal, label, x, y, width, height, used, free }) => (
        <g key={terminal}>
          <rect
            x={x}
            y={y}
            width={width}
            height={height}
            fill={isEnd(terminal) ? 'var(--mark)' : used ? 'var(--paper)' : 'var(--bench)'}
            stroke="var(--ink)"
            strokeDasharray={free ? '3 3' : undefined}
          />
          <text
            x={x + width / 2}
            y={y + height / 2 + 4.5}
            textAnchor="middle"
            style={{ font: `${isEnd(terminal) ? 700 : 400} 13px "B612 Mono"` }}
            fill={used ? 'var(--ink)' : 'var(--ink2)'}
          >
            {label}
          </text>
        </g>
      ))}
      {block.contacts.map((contact) => {
        const isClosed = contact.kind === 'contact' && closed(device.id, contact.port)
        const d = symbolPath(contact, isClosed)
        const top = Math.min(contact.from.y, contact.to.y) - 6
        const flips = contact.kind === 'contact' && canFlip(device.id, contact.port)
        return (
          <g
            key={contact.port}
            {...(flips
              ? {
                  'data-hit': true,
                  role: 'switch',
                  'aria-checked': isClosed,
                  'aria-label': `Contact ${device.tag} ${device.facts.ports[contact.port]?.title ?? contact.port}`,
                  tabIndex: 0,
                  className: 'cursor-pointer',
                  onClick: () => onFlip(device.id, contact.port),
                  onKeyDown: (event: React.KeyboardEvent) => {
                    if (event.key !== 'Enter' && event.key !== ' ') return
                    event.preventDefault()
                    event.stopPropagation()
                    onFlip(device.id, contact.port)
                  },
                }
              : {})}
          >
            {flips ? (
              <rect
                x={contact.inward > 0 ? contact.from.x : contact.from.x - 34}
                y={top}
                width={34}
                height={Math.abs(contact.from.y - contact.to.y) + 12}
                fill="transparent"
              />
            ) : null}
            <path d={d} fill="none" stroke="var(--ink)" strokeWidth={isClosed ? 3 : 1.5} />
          </g>
        )
      })}
      {block.texts.map((each) => (
        <Text key={`${each.text}${each.y}`} each={each} />
      ))}
    </g>
  )
}
