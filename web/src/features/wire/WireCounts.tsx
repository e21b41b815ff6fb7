import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import { useLoop } from '../../loop/loopContext'

/** How far the list is. */
export function WireCounts() {
  const loop = useLoop()
  const landed = loop.rows.filter(({ id }) => loop.loop.wiring.rows[id]?.landed).length
  const tested = loop.rows.filter((row) => judgeRow(loop, row).verdict === 'fits').length
  return (
    <div className="flex items-baseline gap-3 px-4 pt-2 pb-1">
      <h2 id="wires" className="h2">
        Wires
      </h2>
      <span className="text-ink2">
        {landed} of {loop.rows.length} landed, {tested} tested
      </span>
      <span className="small text-ink2 ml-auto text-right not-phone">
        {loop.job.practice === 'us' ? 'North American' : 'IEC'} colours: check local code
      </span>
    </div>
  )
}
