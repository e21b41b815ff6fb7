import type { ProofReading } from '../document/documents'
import type { TestKind } from './proofTest'

/** What each kind of test is called where nothing else is known of it, as in the log. */
export const testTitles: Readonly<Record<TestKind, string>> = {
  before: 'Commanded? Answered?',
  limiter: 'Limiter trip',
  permissive: 'Permissive',
  'rise-and-fall': 'Rise and fall',
  dial: 'Dial test',
  stages: 'Stage sequence',
  sweep: 'Modulating sweep',
  fan: 'Fan',
  drive: 'Drive',
  reset: 'Reset line',
  'minimum-off': 'Minimum off time',
  'probe-fault': 'Probe pulled and shorted',
  offset: 'Offset',
  substitute: 'Input',
  alarm: 'Alarm',
  defrost: 'Defrost',
  battery: 'Battery cut-off',
  timer: 'Timer',
  clock: 'Clock and week',
  cooler: 'Cooler',
  backup: 'Air when the control fails',
  restart: 'After a power cut',
  'warm-up': 'Warm-up watch',
}

/** The kind of a test from its id. */
export const kindOfTest = (id: string) => id.split('/')[0] as TestKind

/** A reading by the test and the step that it belongs to, in words: "Rise and fall, rise again". */
export function stepWords({ test, step }: Pick<ProofReading, 'test' | 'step'>): string {
  const words = step
    .replace(/^(rise|fall)-1$/, '$1')
    .replace(/^(rise|fall)-2$/, '$1 again')
    .replace(/^override-.*/, 'override tried')
    .replace(/[-/]/g, ' ')
  return `${testTitles[kindOfTest(test)] ?? 'Reading'}, ${words}`
}
