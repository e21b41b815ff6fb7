import type { ReactNode } from 'react'

interface Props {
  /** Id of the heading that names it. */
  readonly labelledBy: string
  readonly children: ReactNode
  /** Number pad and buttons: they stand at the foot, and what is above scrolls by itself. */
  readonly actions: ReactNode
}

/** One step, large, with what one does at its foot: nothing ever lies under the pad. */
export function WorkSheet({ labelledBy, children, actions }: Props) {
  return (
    <section className="flex flex-col min-h-0 flex-1" aria-labelledby={labelledBy}>
      <div className="p-4 max-md:pt-3 flex flex-col gap-3 max-md:gap-2 flex-1 min-h-0 overflow-auto">{children}</div>
      <div className="foot grid gap-2 md:grid-cols-2">{actions}</div>
    </section>
  )
}
