import { useMemo } from 'react'
import { runs } from '@nachtigal/core/wiring/contactLogic'
import { type LoadLogic, loadLogics } from '@nachtigal/core/wiring/loadLogic'
import { contactFlipped, contactsSet } from '../../state/contactsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useLoop } from '../../loop/loopContext'

/** Contacts as they are flipped on the screen, and which loads run with them. Nothing of it is kept with the job. */
export function useContacts() {
  const { chain, loop } = useLoop()
  const dispatch = useAppDispatch()
  const flipped = useAppSelector((state) => state.contacts[loop.id])
  const logics = useMemo(() => loadLogics(chain), [chain])
  return useMemo(() => {
    const closed = new Set(flipped ?? [])
    const nameOf = (device: string, port: string) =>
      logics
        .flatMap(({ contacts, relays }) => [...contacts, ...relays.map(({ contact }) => contact)])
        .find((each) => each.device.id === device && each.portId === port)?.name
    const runsNow = ({ expression }: LoadLogic) => expression !== undefined && runs(expression, closed)
    const relays = logics.flatMap((each) => each.relays)
    return {
      logics,
      closed,
      runsNow,
      isClosed: (device: string, port: string) => {
        const name = nameOf(device, port)
        if (name === undefined) return false
        const relay = relays.find(({ contact }) => contact.name === name)
        return relay ? runs(relay.coil, closed) : closed.has(name)
      },
      /** Only contacts that something else than a coil moves can be flipped. */
      canFlip: (device: string, port: string) => {
        const name = nameOf(device, port)
        return name !== undefined && !relays.some(({ contact }) => contact.name === name)
      },
      setAll: (names: readonly string[]) => dispatch(contactsSet({ loop: loop.id, names })),
      flip: (name: string) => dispatch(contactFlipped({ loop: loop.id, name })),
      flipAt: (device: string, port: string) => {
        const name = nameOf(device, port)
        if (name !== undefined) dispatch(contactFlipped({ loop: loop.id, name }))
      },
      loadRuns: (device: string) => {
        const mine = logics.filter(({ load }) => load.id === device)
        return mine.length === 0 ? undefined : mine.some(runsNow)
      },
    }
  }, [flipped, logics, dispatch, loop.id])
}
