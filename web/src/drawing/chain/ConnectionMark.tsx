import { Opens } from '../../design/Opens'
import { Shape } from '../../design/Shape'
import type { ChainLayout } from './chainLayout'
import { type ChainConnection, colours, strokes } from './chainLink'

interface Props {
  readonly connection: ChainConnection | undefined
  readonly between: string
  readonly layout: Pick<ChainLayout, 'space' | 'height' | 'says'>
}

/** Verdict on the connection between two devices: its shape on the line, and as much beside it as there is room for. */
export function ConnectionMark({ connection, between, layout: { space, height, says } }: Props) {
  const size = { width: space, height }
  if (!connection)
    return (
      <span className="relative block flex-none" style={size} aria-hidden>
        <span className="absolute left-0 right-0 top-1/2 h-px bg-edge" />
      </span>
    )
  const line = `absolute top-1/2 -translate-y-1/2 h-[1.5px] ${strokes[connection.kind]}`
  const shape = says === 'words' ? 18 : 16
  const half = shape / 2 + (says === 'shape' ? 1 : 4)
  const words = 'absolute left-0 right-0 cond text-center'
  return (
    <Opens
      className="relative block flex-none"
      style={size}
      label={`${between}: ${connection.word}`}
      trigger={
        <>
          <span className={`${line} left-0`} style={{ right: `calc(50% + ${half}px)` }} />
          <span className={`${line} right-0`} style={{ left: `calc(50% + ${half}px)` }} />
          <span className="absolute left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2">
            <Shape kind={connection.kind} size={shape} />
          </span>
          {says === 'shape' ? null : (
            <span
              className={`${words} bottom-[calc(50%+10px)] text-balance ${says === 'words' ? 'text-[14px] leading-4' : 'text-[13px] leading-[14px]'}`}
            >
              {/* A figure may part from its unit where two short lines are all there is. */}
              {says === 'short' ? connection.passes.replaceAll('\u00a0', ' ') : connection.passes}
            </span>
          )}
          {says === 'words' || (says === 'short' && connection.kind !== 'fits') ? (
            <span
              className={`${words} top-[calc(50%+11px)] ${says === 'words' ? 'text-[15px] leading-4' : 'text-[13px] leading-[13px]'} ${colours[connection.kind]}`}
            >
              {connection.word}
            </span>
          ) : null}
        </>
      }
    >
      {connection.detail}
    </Opens>
  )
}
