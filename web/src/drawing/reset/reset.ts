import type { useHandles } from '../useHandles'
import type { ResetHandle, ResetMarks } from './resetDrawing'
import type { ResetLayout } from './resetLayout'

/** The drawing as its pieces stand on it, and how a hand holds them. */
export interface Reset extends ResetLayout {
  readonly unit: string
  readonly marks: ResetMarks
  readonly handle: ReturnType<typeof useHandles>['handle']
  readonly onMove: (handle: ResetHandle, to: { readonly x: number; readonly y: number }, done: boolean) => void
}
