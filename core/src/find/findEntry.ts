/** What can be found, in the order in which its groups stand. */
export const findKinds = [
  'job',
  'loop',
  'wire',
  'device',
  'setting',
  'test',
  'finding',
  'symptom',
  'calculator',
  'sheet',
  'page',
  'action',
  'log',
] as const
export type FindKind = (typeof findKinds)[number]

export const findKindTitles: Readonly<Record<FindKind, string>> = {
  job: 'Jobs',
  loop: 'Loops',
  wire: 'Wires, terminals',
  device: 'Devices',
  setting: 'Settings',
  test: 'Tests',
  finding: 'Findings',
  symptom: 'Symptoms',
  calculator: 'Calculators',
  sheet: 'Sheets',
  page: 'Pages',
  action: 'On this page',
  log: 'Log',
}

/** Something that can be found and gone to. */
export interface FindEntry {
  /** Unlike any other of the same job. */
  readonly id: string
  readonly kind: FindKind
  /** What it is called. */
  readonly what: string
  /** Where it is and how it stands. */
  readonly where: string
  /** How it stands, where it was judged. */
  readonly shape?: 'fits' | 'look' | 'stop' | 'note' | 'waiting'
  /** Its loop, where it belongs to one. */
  readonly loop?: string
  /** The way to it below its loop, or below the job: a step, a part, an id. */
  readonly at: readonly string[]
  /** Further words that it is found by. */
  readonly words?: string
}
