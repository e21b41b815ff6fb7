import { Sign } from '../Sign'
import { blockText } from './chainLayout'
import { calledLink, type ChainLink } from './chainLink'

interface Props {
  readonly link: ChainLink
  readonly onLink: (id: string) => void
  readonly width: number
  readonly height: number
}

/** One device of a path: its sign over its tag, its name whole, and what it is where there is room. */
export function ChainBlock({ link, onLink, width, height }: Props) {
  const text = blockText(link.name, link.sub, width, height)
  return (
    <button
      type="button"
      aria-label={`${calledLink(link)}, ${link.sub}`}
      title={`${calledLink(link)}, ${link.sub}`}
      style={{ width, height }}
      className={`flex-none flex items-stretch text-left bg-blank border-[1.5px] ${link.missing ? 'border-dashed border-edge' : 'border-ink'} hover:bg-mark`}
      onClick={() => onLink(link.id)}
    >
      <SignCell link={link} />
      <span className="min-w-0 flex-1 px-1.5 self-center block">
        <span
          className="block cond font-semibold overflow-hidden break-words"
          style={{
            fontSize: text.size,
            lineHeight: `${text.line}px`,
            maxHeight: text.lines * text.line,
          }}
        >
          {link.name}
        </span>
        {text.sub ? <span className="block cond text-[14px] leading-[17px] text-ink2">{link.sub}</span> : null}
      </span>
    </button>
  )
}

/** Sign over tag. */
export const SignCell = ({ link }: { link: ChainLink }) => (
  <span className="w-7 flex-none grid place-content-center justify-items-center gap-0.5 border-r border-line">
    <Sign sign={link.sign} size={18} />
    {link.tag ? <span className="cond text-[14px] leading-4">{link.tag}</span> : null}
  </span>
)
