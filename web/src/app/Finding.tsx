import { Search } from 'lucide-react'
import { type ComponentType, Suspense, useState } from 'react'

export interface FindingProps {
  /** What was typed before it was here. */
  readonly begun: string
  readonly onClose: () => void
}

/**
 * A sheet that finds, as soon as it is fetched. Until then a bare field takes what a quick hand types: else letters would be lost, or be
 * taken for keys of the page.
 */
export function Finding({ sheet: Sheet, onClose }: { sheet: ComponentType<FindingProps>; onClose: () => void }) {
  const [begun, setBegun] = useState('')
  const early = (
    <div
      role="dialog"
      aria-label="Find anything"
      className="fixed z-30 top-0 max-md:left-0 md:left-[216px] w-[760px] max-w-full h-12 px-4 flex items-center gap-4 bg-mark border border-ink"
      onKeyDown={({ key }) => {
        if (key === 'Escape') onClose()
      }}
    >
      <Search size={20} strokeWidth={1.5} aria-hidden />
      <input
        value={begun}
        onChange={(event) => setBegun(event.target.value)}
        maxLength={120}
        aria-label="Find anything"
        className="flex-1 min-w-0 text-[22px] bg-transparent outline-none"
        // eslint-disable-next-line jsx-a11y/no-autofocus -- it was opened to be typed into
        autoFocus
      />
    </div>
  )
  return (
    <Suspense fallback={early}>
      <Sheet begun={begun} onClose={onClose} />
    </Suspense>
  )
}
