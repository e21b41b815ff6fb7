/** @jest-environment jsdom */
import { expect, it } from '@jest/globals'
import { renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { plannedFloor, surveyedFloor } from '@nachtigal/core/testing/warmFloor'
import { useLoop } from '../../loop/loopContext'
import { pageInLoop } from '../../testing/inLoop'
import { SettingProvider } from './setting'
import { useDisplay } from './useDisplay'

type Display = ReturnType<typeof useDisplay>

function displayIn(temperatureUnit: 'C' | 'F'): Display {
  let found: Display | undefined
  const Told = () => {
    found = useDisplay()
    return null
  }
  const Inside = ({ children }: { readonly children: ReactNode }) => {
    const { chain } = useLoop()
    return <SettingProvider device={chain.devices.find(({ facts }) => facts.controller)!}>{children}</SettingProvider>
  }
  pageInLoop(
    plannedFloor(undefined, surveyedFloor({ temperatureUnit })),
    <Inside>
      <Told />
    </Inside>,
  )
  return found!
}

it('an instrument moves by the display’s own step in the unit that is shown', () => {
  const [celsius, fahrenheit] = [displayIn('C'), displayIn('F')]
  expect(celsius.stepSi).toBeCloseTo(celsius.step, 9)
  expect(fahrenheit.stepSi).toBeCloseTo((fahrenheit.step * 5) / 9, 9)
})
it('what is drawn is free of the dust of a conversion', () => {
  const { out, maybe } = displayIn('F')
  expect(out(28)).toBe(82.4)
  expect(out((82.4 - 32) / 1.8)).toBe(82.4)
  expect(maybe(undefined)).toBeUndefined()
})
it('outside a loop that is being set it is a fault of the page', () => {
  expect(() => renderHook(() => useDisplay())).toThrow()
})
