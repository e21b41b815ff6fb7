import { practices, practiceTitles, standardOf } from '../units/practice'
import { terms } from '../words/terms'
import { tableRow as row } from './tableRow'

/** The page of practices: what each is called where. */
export const practicesPage = (): string =>
  [
    '# Practices',
    '',
    'Made by `npm run reference` from `core/src/words/terms.ts`; a test holds it. A job follows one practice: its words, conductors, protective devices and their tests. Units are chosen apart from it.',
    '',
    row(['thing', ...practices.map((practice) => practiceTitles[practice])]),
    row(['---', ...practices.map(() => '---')]),
    row([
      'wiring',
      ...practices.map((practice) => (standardOf[practice] === 'iec' ? 'IEC 60364' : 'US and Canadian codes')),
    ]),
    ...Object.entries(terms).map(([term, of]) => row([term, ...practices.map((practice) => of[practice])])),
    '',
  ].join('\n')
