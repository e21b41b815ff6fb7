export type DeviceSign = 'probe' | 'controller' | 'contact' | 'limiter' | 'load' | 'supply'

const signs: Record<DeviceSign, string> = {
  probe: 'M8 3a2 2 0 0 1 4 0v9a3.4 3.4 0 1 1-4 0ZM10 8v7',
  controller: 'M2 3h16v14H2ZM5 6h10v4H5ZM5 13.5h2M9 13.5h2M13 13.5h2',
  contact: 'M1 12h5L14 6M14 12h5M6 12v.1M14 12v.1',
  limiter: 'M1 14h5l8-6M14 14h5M10 11V3M7 3h6',
  load: 'M10 3a7 7 0 1 0 .1 0ZM6 10l4-4 4 4M10 6v8',
  supply: 'M10 2a8 8 0 1 0 .1 0ZM5 10c2-5 3-5 5 0s3 5 5 0',
}

/** Sign of a device, plain line drawing of our own. */
export const Sign = ({ sign, size = 20 }: { sign: DeviceSign; size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden className="flex-none">
    <path d={signs[sign]} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
  </svg>
)
