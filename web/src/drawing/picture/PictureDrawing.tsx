import { lazy, Suspense } from 'react'
import type { Picture } from '@nachtigal/core/calc/picture'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import type { ContactExpression } from '@nachtigal/core/wiring/contactLogic'
import { BarsDrawing } from './BarsDrawing'
import { ContactsDrawing } from './ContactsDrawing'
import { MapDrawing } from './MapDrawing'
import { ScaleDrawing } from './ScaleDrawing'
import { WeekDrawing } from './WeekDrawing'

// The chart package is large: it comes when a curve is drawn.
const LinesDrawing = lazy(async () => ({ default: (await import('./LinesDrawing')).LinesDrawing }))

interface Props {
  readonly picture: Picture
  readonly preferences: UnitPreferences
  readonly label: string
  readonly theme: string
}

/** Draws what a calculation has to show, each kind in its own way. */
export function PictureDrawing({ picture, preferences, label, theme }: Props) {
  switch (picture.kind) {
    case 'lines':
      return (
        <div className="h-64 relative">
          <Suspense fallback={<p className="text-ink2">Drawing</p>}>
            <LinesDrawing picture={picture} preferences={preferences} label={label} theme={theme} />
          </Suspense>
        </div>
      )
    case 'map':
      return (
        <div className="max-w-[480px]">
          <MapDrawing picture={picture} preferences={preferences} label={label} />
        </div>
      )
    case 'scale':
      return (
        <div className="max-w-[480px]">
          <ScaleDrawing picture={picture} preferences={preferences} label={label} />
        </div>
      )
    case 'bars':
      return (
        <div className="max-w-[480px]">
          <BarsDrawing picture={picture} preferences={preferences} label={label} />
        </div>
      )
    case 'week':
      return (
        <div className="max-w-[480px]">
          <WeekDrawing picture={picture} label={label} />
        </div>
      )
    case 'contacts':
      return (
        <div className="max-w-[480px]">
          <ContactsDrawing expression={picture.expression as ContactExpression} label={label} />
        </div>
      )
  }
}
