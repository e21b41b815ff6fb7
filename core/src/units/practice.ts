/** Whose trade a job follows: its words, conductors, protective devices and their tests. Units are chosen apart from it. */
export const practices = ['europe', 'uk', 'us'] as const
export type Practice = (typeof practices)[number]

/** A practice as people say it. */
export const practiceTitles: Readonly<Record<Practice, string>> = {
  europe: 'Europe',
  uk: 'United Kingdom',
  us: 'United States and Canada',
}

/** Where a practice is at home, in a sentence. */
export const practicePlaces: Readonly<Record<Practice, string>> = {
  europe: 'Europe',
  uk: 'the United Kingdom',
  us: 'the United States and Canada',
}

/** Whose tables of conductors, colours and protective devices hold: IEC 60364 and its national versions, or the North American codes. */
export const wiringStandards = ['iec', 'us'] as const
export type WiringStandard = (typeof wiringStandards)[number]

/** A wiring standard as people say where it holds. */
export const standardTitles: Readonly<Record<WiringStandard, string>> = {
  iec: 'Europe and the United Kingdom',
  us: 'the United States and Canada',
}

/** The wiring standard that a practice follows. The UK wires after IEC 60364 as well, with words of its own. */
export const standardOf: Readonly<Record<Practice, WiringStandard>> = { europe: 'iec', uk: 'iec', us: 'us' }
