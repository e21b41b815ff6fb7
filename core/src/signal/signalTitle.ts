import type { Signal } from './signal'

const titles: Readonly<Partial<Record<Signal, string>>> = {
  pwm: 'pulse width',
  '135-ohm': '135 ohm',
  'three-point': 'three-point',
}

/** A signal as it is read: 0\u201310 V. */
export const signalTitle = (signal: Signal): string =>
  titles[signal] ?? signal.replace('-', '\u2013').replace(/(V|mA)$/, ' $1')
