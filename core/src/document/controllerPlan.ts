import type { Value } from '../schema/value'
import type {
  batteryPlanRecord,
  controllerPlanRecord,
  defrostPlanRecord,
  resetPlanRecord,
  stagePlanRecord,
  timerPlanRecord,
  weekPeriodRecord,
  weekPlanRecord,
} from './fields/controllerPlanFields'

/** How the stages of one controller follow one another. */
export interface StagePlan extends Value<typeof stagePlanRecord> {}
/** An outdoor reset curve with what belongs to it. */
export interface ResetPlan extends Value<typeof resetPlanRecord> {}
/** Melting a coil: when, until when, and what waits for it. */
export interface DefrostPlan extends Value<typeof defrostPlanRecord> {}
/** When a battery is too low to run on. */
export interface BatteryPlan extends Value<typeof batteryPlanRecord> {}
/** One period of a week. */
export interface WeekPeriod extends Value<typeof weekPeriodRecord> {}
export interface WeekPlan extends Value<typeof weekPlanRecord> {}
/** A timer that counts down once, or repeats A and B. */
export interface TimerPlan extends Value<typeof timerPlanRecord> {}
/** What is planned for a controller as a whole, besides its outputs. What is left out is as it comes by its kind of loop. */
export interface ControllerPlan extends Value<typeof controllerPlanRecord> {}
