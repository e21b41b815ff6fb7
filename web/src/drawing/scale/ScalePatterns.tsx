import { tintOf } from './scale'

/** Hatching of what rests, of either action, and of ice. */
export const ScalePatterns = () => (
  <defs>
    {(['heating', 'cooling'] as const).map((action) => (
      <pattern
        key={action}
        id={`rest-${action}`}
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V5" stroke={tintOf[action]} opacity=".8" />
      </pattern>
    ))}
    <pattern id="ice" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V7" stroke="var(--edge)" />
    </pattern>
  </defs>
)
