import { variant } from '../schema/field'
import { bandRecord } from './band/fields'
import { fanRecord } from './fan/fields'
import { onOffRecord } from './switching/fields'

/** What is planned for one output. */
export const planVariant = variant('plan', { 'on-off': onOffRecord, band: bandRecord, fan: fanRecord })
