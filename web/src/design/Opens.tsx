import { Popover } from 'radix-ui'
import type { CSSProperties, ReactNode } from 'react'

interface Props {
  readonly label?: string | undefined
  readonly className?: string
  readonly style?: CSSProperties
  readonly trigger: ReactNode
  readonly children: ReactNode
}

/** Something that opens a small sheet beside itself: a sum, a caution, a connection. */
export function Opens({ label, className = '', style, trigger, children }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger className={className} style={style} aria-label={label}>
        {trigger}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popover" sideOffset={6} collisionPadding={12} aria-label={label ?? 'More'}>
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
