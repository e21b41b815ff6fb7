import { X } from 'lucide-react'
import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  readonly open: boolean
  readonly onClose: () => void
  readonly title: string
  readonly about?: string
  /** For a table. */
  readonly wide?: boolean
  readonly children: ReactNode
}

/** A sheet over the page: focus stays in it, Escape closes it. */
export function Dialog({ open, onClose, title, about, wide = false, children }: Props) {
  return (
    <Radix.Root
      open={open}
      onOpenChange={(next) => {
        if (!next) onClose()
      }}
    >
      <Radix.Portal>
        <Radix.Overlay className="overlay" />
        <Radix.Content
          className={`dialog middle ${wide ? 'wide' : ''}`}
          {...(about ? {} : { 'aria-describedby': undefined })}
        >
          <div className="flex items-start mb-3">
            <Radix.Title className="h2">{title}</Radix.Title>
            <Radix.Close className="ml-auto p-2 -m-2" aria-label="Close">
              <X size={20} strokeWidth={1.5} />
            </Radix.Close>
          </div>
          {about ? <Radix.Description className="text-ink2 mb-3">{about}</Radix.Description> : null}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
