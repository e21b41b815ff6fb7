import type { ReactNode } from 'react'
import { loopKinds } from '@nachtigal/core/kinds/ids'
import { KindSign } from '../../drawing/KindSign'
import { kindSign } from '@nachtigal/core/kinds/kindSigns'
import { JobForm } from './JobForm'

/** Where no job is yet: the way from an empty sheet to a proved loop in three steps, of which the first is begun right here. */
export function FirstJob() {
  return (
    <>
      <h1 id="jobs" className="h1">
        Your first job, in three steps
      </h1>
      <p className="text-ink2 mb-4">
        A job is a house or a site. A loop is one thing in it that is held warm, cold or dry. Nothing you type here is
        final.
      </p>
      <ol className="grid gap-4 lg:grid-cols-3 items-stretch">
        <Sheet n={1} title="Say where it is" about="half a minute" open>
          <JobForm />
        </Sheet>
        <Sheet n={2} title="Choose the first loop" about="what must be held, and how well">
          <ul className="grid grid-cols-2 gap-x-3 gap-y-5 mt-3">
            {loopKinds.map((kind) => (
              <li key={kind} className="flex items-center gap-3 cond font-semibold text-[16px] leading-5">
                <KindSign kind={kind} /> {kindSign(kind).word}
              </li>
            ))}
          </ul>
          <p className="text-ink2 mt-6">
            The next page asks what this kind needs. “Unknown” is an answer: an estimate stands in for it.
          </p>
        </Sheet>
        <Sheet n={3} title="Fit, wire, set, prove" about="every figure worked out">
          <ul className="grid gap-4 mt-3">
            {later.map(({ path, says }) => (
              <li key={says}>
                <svg width="100%" height="56" viewBox="0 0 240 56" aria-hidden className="max-w-60">
                  <path d={path} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
                </svg>
                <span className="text-ink2">{says}</span>
              </li>
            ))}
          </ul>
        </Sheet>
      </ol>
    </>
  )
}

const later = [
  {
    path: 'M2 12h60v30H2ZM90 12h60v30H90ZM178 12h60v30h-60ZM62 27h8M82 27h8M150 27h8M170 27h8M71 27l4 4 6-8M159 27l4 4 6-8',
    says: 'Every connection is judged before you buy.',
  },
  {
    path: 'M20 8h30v18H20ZM20 32h30v18H20ZM160 8h30v18h-30ZM160 32h30v18h-30ZM50 17h110M50 41h110M212 10h14v14h-14ZM215 16l4 5 9-12M212 34h14v14h-14ZM215 40l4 5 9-12',
    says: 'Which core on which terminal, ticked off.',
  },
  {
    path: 'M96 2h24v52H96ZM96 12h8M96 22h8M96 32h8M96 42h8M60 14h26M60 44h26M66 14v30h14V14M132 26l16-8v16Z',
    says: 'Numbers to key in, and what they will do.',
  },
  {
    path: 'M2 40h236M80 14v30M160 14v30M120 20v24M136 28l-8 10h16Z',
    says: 'A reading goes in, a verdict comes out.',
  },
] as const

interface SheetProps {
  readonly n: number
  readonly title: string
  readonly about: string
  readonly open?: boolean
  readonly children: ReactNode
}

const Sheet = ({ n, title, about, open = false, children }: SheetProps) => (
  <li className={`bg-paper p-4 border ${open ? 'border-ink border-[1.5px]' : 'border-edge max-md:hidden'}`}>
    <div className="flex gap-4 items-center mb-3">
      <span className={`text-[40px] leading-none ${open ? '' : 'text-ink2'}`}>{n}</span>
      <span>
        <span className="block h2">{title}</span>
        <span className="text-ink2">{about}</span>
      </span>
    </div>
    {children}
  </li>
)
