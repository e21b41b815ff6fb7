import { type PortRef, resolveDevice, type ResolvedDevice } from '@nachtigal/core/document/chain'
import { ordered } from '@nachtigal/core/schema/ordered'
import { joinPortsByHand } from '@nachtigal/core/actions/joinPortsByHand'
import { canJoin } from '@nachtigal/core/wiring/chainEdit'
import { gives, accepts } from '@nachtigal/core/wiring/joins'
import { useLoop } from '../../loop/loopContext'
import { useTap } from '../../loop/useTap'
import { ChoiceField } from '../../design/ChoiceField'

const NOTHING = 'nothing'
const keyOf = ({ device, port }: PortRef) => `${device}|${port}`

/** What each port of a device takes from, to be chosen, and what it gives to, told. */
export function PortConnections({ device }: { device: ResolvedDevice }) {
  const { chain, job, loop } = useLoop()
  const tap = useTap()
  const others = [
    ...chain.devices,
    // A supply that only other loops use so far can feed this one too.
    ...ordered(job.devices)
      .filter(({ id }) => !chain.devices.some((each) => each.id === id))
      .flatMap((each) => resolveDevice(job, each, true) ?? []),
  ]
  const ports = Object.entries(device.facts.ports)
  const taking = ports.filter(([, port]) => accepts(port))
  const giving = ports.filter(([, port]) => gives(port))
  if (ports.length === 0) return null
  return (
    <div className="grid gap-2" role="group" aria-label={`What ${device.tag} is joined to`}>
      {taking.length > 0 ? (
        <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2 xl:grid-cols-3">
          {taking.map(([port, { title }]) => {
            const to = { device: device.id, port }
            const present = chain.connections.find((c) => c.to.device === device.id && c.to.port === port)
            const offered = others.flatMap((other) =>
              Object.entries(other.facts.ports)
                .filter(([id]) => canJoin({ job, loop }, { device: other.id, port: id }, to))
                .map(([id, facts]) => ({
                  value: keyOf({ device: other.id, port: id }),
                  title: `${other.tag} ${other.name}${Object.values(other.facts.ports).filter(gives).length > 1 ? `, ${facts.title}` : ''}`,
                })),
            )
            return (
              <ChoiceField
                key={port}
                label={`${title}, from`}
                value={present ? keyOf(present.from) : NOTHING}
                onChoose={(value) => {
                  const [from = '', out = ''] = value.split('|')
                  tap(joinPortsByHand, value === NOTHING ? { to } : { from: { device: from, port: out }, to })
                }}
                choices={[{ value: NOTHING, title: 'nothing' }, ...offered]}
              />
            )
          })}
        </div>
      ) : null}
      {giving.length > 0 ? (
        <p className="small text-ink2">
          {giving
            .map(([port, { title }]) => {
              const to = chain.connections.filter((c) => c.from.device === device.id && c.from.port === port)
              return `${title} to ${to.map((c) => `${c.toDevice.tag} ${c.toPort.title}`).join(', ') || 'nothing'}`
            })
            .join('; ')}
        </p>
      ) : null}
    </div>
  )
}
