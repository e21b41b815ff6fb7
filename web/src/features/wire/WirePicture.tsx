import { useMemo } from 'react'
import { fill, routes } from '@nachtigal/contract/api'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { svgText } from '@nachtigal/core/wiring/picture/svgText'
import { WiringPicture } from '../../drawing/WiringPicture'
import { download } from '../../lib/download'
import { useLoop } from '../../loop/loopContext'
import { Opens } from '../../design/Opens'
import { useContacts } from './useContacts'
import { usePicture } from './usePicture'

interface Props {
  readonly chosen: WireRow
  readonly onChoose: (row: WireRow) => void
  readonly onStep: (by: number) => void
}

const fileName = (text: string) => text.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'wires'

/** The picture of this loop's wires, with the ways to take it along. */
export function WirePicture({ chosen, onChoose, onStep }: Props) {
  const { job, loop, rows, wires } = useLoop()
  const { picture, problem } = usePicture()
  const contacts = useContacts()
  const live = useMemo(() => [...new Set(rows.flatMap(({ liveFrom }) => liveFrom ?? []))], [rows])
  if (problem !== undefined)
    return <p className="p-4">The picture could not be laid out: {problem}. The list holds everything that is in it.</p>
  if (!picture) return <p className="p-4 flex-1">Laying out the picture</p>
  const ids = { jobId: job.id, loopId: loop.id }
  return (
    <WiringPicture
      picture={picture}
      chosen={chosen.id}
      landed={(row) => loop.wiring.rows[row]?.landed === true}
      onChoose={(id) => {
        const row = rows.find((each) => each.id === id)
        if (row) onChoose(row)
      }}
      onStep={onStep}
      closed={contacts.isClosed}
      canFlip={contacts.canFlip}
      onFlip={contacts.flipAt}
      runs={contacts.loadRuns}
    >
      <div className="absolute left-3 top-0 flex items-center gap-4 bg-paper pr-2">
        <Opens className="third min-h-9" trigger="Take along">
          <ul className="grid gap-2">
            <li>
              <button
                type="button"
                className="third min-h-8"
                onClick={() =>
                  download(
                    `${fileName(loop.name)}.svg`,
                    svgText(
                      picture,
                      loop.wiring.rows,
                      {
                        head: 'Barlow Condensed, sans-serif',
                        text: 'B612, sans-serif',
                        terminal: 'B612 Mono, monospace',
                      },
                      `${loop.name}, ${job.name}`,
                    ),
                    'image/svg+xml',
                  )
                }
              >
                Picture (SVG)
              </button>
            </li>
            <li>
              <a href={fill(routes.picture, ids)} target="_blank" rel="noreferrer">
                Picture (PDF)
              </a>
            </li>
            <li>
              <a href={fill(routes.wiresPdf, ids)} target="_blank" rel="noreferrer">
                List (PDF)
              </a>
            </li>
            <li>
              <a href={fill(routes.wiresCsv, ids)} download>
                List (CSV)
              </a>
            </li>
            <li>
              <a href={fill(routes.labels, ids)} target="_blank" rel="noreferrer">
                Labels (PDF)
              </a>
            </li>
          </ul>
        </Opens>
      </div>
      {live.length > 0 ? (
        <p className="small text-ink2 px-4 py-1 flex-none">
          <b className="text-look">▲</b> stays live when {wires.main?.tag ?? 'the loop'} is off: from {live.join(', ')}
        </p>
      ) : null}
    </WiringPicture>
  )
}
