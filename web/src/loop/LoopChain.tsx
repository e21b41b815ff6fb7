import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import type { JointVerdict } from '@nachtigal/core/check/judgeJoint'
import type { ResolvedDevice } from '@nachtigal/core/job/chain'
import { insertDevice } from '@nachtigal/core/wiring/chainEdit'
import { Chain, type ChainJoint, type ChainLink, type DeviceSign } from '../instruments/Chain'
import { Button } from '../ui/Button'
import { type Loop, useLoop } from './loopContext'
import { WorkedSum } from './Worked'
import { outputPath } from '@nachtigal/core/wiring/outputPath'

const signOf: Record<string, DeviceSign> = {
  probe: 'probe',
  controller: 'controller',
  relay: 'contact',
  limiter: 'limiter',
  load: 'load',
  supply: 'supply',
}
const wordOf = { fits: 'fits', 'look-again': 'look again', 'does-not-fit': 'does not fit' } as const
const kindOf = { fits: 'fits', 'look-again': 'look', 'does-not-fit': 'stop' } as const
const rank = { fits: 0, 'look-again': 1, 'does-not-fit': 2 } as const

const linkOf = (device: ResolvedDevice): ChainLink => ({
  id: device.facts.category,
  name: `${device.tag} ${device.name}`,
  sub: device.facts.summary,
  sign: signOf[device.facts.category] ?? 'controller',
})
const missing = (category: string): ChainLink => ({
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
  const { links, joints, supply, rail } = useMemo(() => strip(loop), [loop])
  return (
    <Chain
      links={links}
      joints={joints}
      supply={supply}
      rail={rail}
      onLink={(category) => navigate(`../match/${category}`, { relative: 'path' })}
    />
  )
}

function strip(loop: Loop) {
  const { chain, joints } = loop
  const path = outputPath(chain)
  const between = (a: ResolvedDevice, b: ResolvedDevice) =>
    chain.connections.filter((c) => c.fromDevice.id === a.id && c.toDevice.id === b.id)
  const verdicts = (ids: readonly string[]) => joints.filter(({ connection }) => ids.includes(connection))
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
    links: devices
      .map((d) => (typeof d === 'string' ? missing(d) : { ...linkOf(d) }))
      .map((link, i, all) => ({ ...link, id: all.findIndex((l) => l.id === link.id) === i ? link.id : `${link.id}` })),
    joints: devices.slice(0, -1).map((a, i) => {
      const b = devices[i + 1]!
      return typeof a === 'string' || typeof b === 'string'
        ? undefined
        : joined(loop, verdicts(between(a, b).map(({ id }) => id)))
    }),
    supply: path.supply ? linkOf(path.supply) : missing('supply'),
    rail: joined(loop, fed),
  }
}

/** Several connections between the same two devices show as one joint with the worst verdict. */
function joined(loop: Loop, verdicts: readonly JointVerdict[]): ChainJoint | undefined {
  const worst = [...verdicts].sort((a, b) => rank[b.verdict] - rank[a.verdict])[0]
  if (!worst) return undefined
  return {
    kind: kindOf[worst.verdict],
    passes: worst.passes,
    word: wordOf[worst.verdict],
    detail: <JointDetail verdicts={verdicts} loop={loop} />,
  }
}

/** Reason, arithmetic and remedy of a joint. */
export function JointDetail({ verdicts, loop }: { verdicts: readonly JointVerdict[]; loop: Loop }) {
  const { profiles, change, job, chain } = loop
  const contactor = profiles.find(
    ({ category, ports }) => category === 'relay' && Object.values(ports).some((port) => port.kind === 'load'),
  )
  const insert = (connection: string) => {
    if (!contactor) return
    const next = insertDevice({ job, loop: loop.loop }, connection, contactor, crypto.randomUUID())
    change({ job: next.job, loop: next.loop }, 'contactor between')
  }
  return (
    <div className="grid gap-4">
      {verdicts.map((v) => {
        const connection = chain.connections.find(({ id }) => id === v.connection)
        return (
          <section key={v.connection} className="grid gap-2">
            <h3 className="h3">
              {connection?.fromDevice.tag} to {connection?.toDevice.tag}: {wordOf[v.verdict]}
            </h3>
            <p>{v.reason}</p>
            {v.remedy && v.verdict !== 'fits' ? <p className="underline underline-offset-2">{v.remedy}</p> : null}
            {v.fix && contactor ? (
              <Button second onClick={() => insert(v.connection)} end="+">
                Put {contactor.name} between
              </Button>
            ) : null}
            {v.worked.map((call) => (
              <WorkedSum key={call.calc} call={call} />
            ))}
          </section>
        )
      })}
    </div>
  )
}
