import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { inLocalWords } from './localWords'

describe('sentences in the words of a practice', () => {
  it.each([
    ['us', 'Lift the earth: a permissive opens.', 'Lift the ground: an interlock opens.'],
    ['us', 'An earth is no fuse.', 'A ground is no fuse.'],
    ['us', 'Mains off. Limiter reset by hand.', 'Line voltage off. High limit reset by hand.'],
    [
      'us',
      'Extra-low voltage, 30 mA residual-current device, bonding.',
      'Class 2 low voltage, Class A ground-fault protection, bonding.',
    ],
    ['us', 'ohms from the earth bar to earthed metal', 'ohms from the ground bar to grounded metal'],
    ['us', 'The air swings about the set.', 'The air swings about the set.'],
    ['us', 'Narrow the swing to 1.8 °F', 'Narrow the differential to 1.8 °F'],
    ['us', 'by-passing the limiter', 'jumpering the high limit'],
    ['uk', 'Press the residual-current device; a permissive opens.', 'Press the RCD; an interlock opens.'],
    ['uk', 'the summer stop of the heating curve', 'the warm-weather shutdown of the weather compensation curve'],
    ['europe', 'Lift the earth: a permissive opens.', 'Lift the earth: a permissive opens.'],
  ] as const)('%s: %s', (practice, kept, said) => expect(inLocalWords(practice, kept)).toBe(said))
  it('what somebody named himself keeps its name', () =>
    expect(inLocalWords('us', 'M1 Mains pump draws more; Earth house stays.')).toBe(
      'M1 Mains pump draws more; Earth house stays.',
    ))
  it('is the same said twice, and never longer than the longest word allows', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.constantFrom('europe', 'uk', 'us'), (text, practice) => {
        const once = inLocalWords(practice, text)
        expect(inLocalWords(practice, once).length).toBeLessThanOrEqual(20 * (once.length + 1))
        if (practice === 'europe') expect(once).toBe(text)
      }),
    ))
})
