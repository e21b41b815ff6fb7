import { spell } from '@nachtigal/core/time/spell'

/** Times to write under a strip: about six, on round numbers. */
export function roundTicks(untilS: number): { at: number; text: string }[] {
  const steps = [1, 5, 10, 30, 60, 300, 600, 1800, 3600, 7200, 14_400, 21_600, 43_200, 86_400, 172_800, 604_800]
  const step = steps.find((each) => untilS / each <= 6) ?? 604_800
  return Array.from({ length: Math.floor(untilS / step) + 1 }, (_, i) => ({
    at: i * step,
    text: i === 0 ? '0' : spell(i * step),
  }))
}
