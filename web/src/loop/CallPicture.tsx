import { useMemo } from 'react'
import { drawPicture, findCalculation, runCalculation } from '@nachtigal/core/calc/registry'
import type { CalcCall } from '@nachtigal/core/kinds/asked'
import { PictureDrawing } from '../drawing/picture/PictureDrawing'
import { useAppSelector } from '../state/store'
import { useJob } from './jobContext'
import { useLoop } from './loopContext'

/** The drawing that belongs to a worked-out number, where there is one. */
export function CallPicture({ call, label }: { call: CalcCall; label: string }) {
  const { preferences } = useLoop()
  const { calcData } = useJob()
  const theme = useAppSelector((state) => state.view.theme)
  const picture = useMemo(() => {
    const entry = findCalculation(call.calc)
    const outcome = entry && runCalculation(entry, call.input, calcData)
    return entry && outcome?.ok ? drawPicture(entry, call.input, outcome.output, calcData) : null
  }, [call, calcData])
  return picture ? <PictureDrawing picture={picture} preferences={preferences} label={label} theme={theme} /> : null
}
