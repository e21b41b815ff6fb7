import type { UnitPreferences } from '@nachtigal/core/units/quantity'

/** Units of a page that stands outside a job: by the unit of temperature that was looked at last. */
export const pageUnits = (unit: 'C' | 'F' | null): UnitPreferences =>
  unit === 'F' ? { temperatureUnit: 'F', system: 'us' } : { temperatureUnit: 'C', system: 'metric' }
