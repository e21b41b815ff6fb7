import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import type { ConnectionVerdict } from '@nachtigal/core/loop/judgeConnection'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { outputPath } from '@nachtigal/core/wiring/outputPath'
import { Chain } from '../drawing/chain/Chain'
import type { ChainConnection, ChainLink } from '../drawing/chain/chainLink'
import { UprightChain } from '../drawing/chain/UprightChain'
import type { DeviceSign } from '../drawing/Sign'
import { CallPicture } from './CallPicture'
import { FixButton } from './FixButton'
import { type Loop, useLoop } from './loopContext'
import { OutputSwitch, useOutputLabels } from './OutputSwitch'
import { verdictShape, verdictWord, worstOf } from './verdict'
import { WorkedSum } from './Worked'

const signOf: Record<string, DeviceSign> = {
  probe: 'probe',
  transmitter: 'probe',
  controller: 'controller',
  drive: 'controller',
  permissive: 'contact',
  relay: 'contact',
  limiter: 'limiter',
  load: 'load',
  supply: 'supply',
}

const linkOf = (device: ResolvedDevice, words: Loop['words']): ChainLink => ({
  key: device.id,
  id: device.facts.category,
  tag: device.tag,
  name: device.name,
  sub: words.tell(device.facts.summary),
  sign: signOf[device.facts.category] ?? 'controller',
})
const missing = (category: string): ChainLink => ({
  key: `no ${category}`,
  id: category,
  name: `No ${category} yet`,
  sub: 'choose from the shelf',
  sign: signOf[category] ?? 'controller',
  missing: true,
})

/** The chain strip of the loop in hand, one output's path at a time. */
export function LoopChain() {
  const loop = useLoop()
  const navigate = useNavigate()
  const drawn = useMemo(() => strip(loop), [loop])
  const labels = useOutputLabels()
  return (
    <Chain
      {...drawn}
      below={labels.length > 1 ? <OutputSwitch /> : null}
      belowWidth={labels.reduce((sum, { label }) => sum + 7 * label.length + 21, 0)}
      onLink={(category) => navigate(`../match/${category}`, { relative: 'path' })}
    />
  )
}

/** The chain upright, in a sheet. */
export function LoopChainSheet({ onLink }: { onLink: (category: string) => void }) {
  const loop = useLoop()
  const drawn = useMemo(() => strip(loop), [loop])
  return <UprightChain {...drawn} onLink={onLink} />
}

function strip(loop: Loop) {
  const { chain, judgedConnections, words } = loop
  const path = outputPath(chain, loop.output)
  const between = (a: ResolvedDevice, b: ResolvedDevice) =>
    chain.connections.filter((c) => c.fromDevice.id === a.id && c.toDevice.id === b.id)
  const verdicts = (ids: readonly string[]) => judgedConnections.filter(({ connection }) => ids.includes(connection))
  const devices: (ResolvedDevice | string)[] = [
    path.probe ?? 'probe',
    path.controller ?? 'controller',
    ...path.series,
    path.load ?? 'load',
  ]
  const fed = path.supply
    ? verdicts(chain.connections.filter((c) => c.fromDevice.id === path.supply!.id).map(({ id }) => id))
    : []
  return {
    links: devices.map((d) => (typeof d === 'string' ? missing(d) : linkOf(d, words))),
    connections: devices.slice(0, -1).map((a, i) => {
      const b = devices[i + 1]!
      return typeof a === 'string' || typeof b === 'string'
        ? undefined
        : joined(loop, verdicts(between(a, b).map(({ id }) => id)))
    }),
    supply: path.supply ? linkOf(path.supply, words) : missing('supply'),
    rail: joined(loop, fed),
  }
}

/** Several connections between the same two devices show as one connection with the worst verdict. */
function joined(loop: Loop, verdicts: readonly ConnectionVerdict[]): ChainConnection | undefined {
  const worst = worstOf(verdicts)
  if (!worst) return undefined
  return {
    kind: verdictShape[worst.verdict],
    passes: worst.passes,
    word: verdictWord[worst.verdict],
    detail: <ConnectionDetail verdicts={verdicts} loop={loop} />,
  }
}

/** Reason, arithmetic and remedy of a connection; of a probe also what the display shows over the whole range. */
export function ConnectionDetail({ verdicts, loop }: { verdicts: readonly ConnectionVerdict[]; loop: Loop }) {
  const { chain } = loop
  return (
    <div className="grid gap-4">
      {verdicts.map((v) => {
        const connection = chain.connections.find(({ id }) => id === v.connection)
        return (
          <section key={v.connection} className="grid gap-2">
            <h3 className="h3">
              {connection?.fromDevice.tag} to {connection?.toDevice.tag}: {verdictWord[v.verdict]}
            </h3>
            <p>{v.reason}</p>
            {v.remedy && v.verdict !== 'fits' ? <p className="underline underline-offset-2">{v.remedy}</p> : null}
            {v.fix ? <FixButton fix={v.fix} of={{ connection: v.connection }} /> : null}
            {v.worked.map((call) => (
              <div key={call.calc} className="grid gap-2">
                {call.calc === 'probe.mismatch' ? <CallPicture call={call} label="What the display shows" /> : null}
                <WorkedSum call={call} />
              </div>
            ))}
          </section>
        )
      })}
    </div>
  )
}
