/** Kinds of entry at the boundary, by stage, as core/entries has them. */
import type { Kind, Payloads } from '../../core/journal'
import { BLEED_AT_BOUNDARY } from './bleed'
import { CHOOSE_AT_BOUNDARY } from './choose'
import { CIRCUIT_AT_BOUNDARY } from './circuit'
import { FIND_AT_BOUNDARY } from './find'
import { FIT_AT_BOUNDARY } from './fit'
import { FLUID_AT_BOUNDARY } from './fluid'
import type { KindAtBoundary } from './kind'
import { HANDOVER_AT_BOUNDARY } from './handover'
import { LEDGER_AT_BOUNDARY } from './ledger'
import { ORDERS_AT_BOUNDARY } from './orders'
import { PLAN_AT_BOUNDARY } from './plan'
import { PROVE_AT_BOUNDARY } from './prove'
import { REBUILD_AT_BOUNDARY } from './rebuild'
import { RECORD_AT_BOUNDARY } from './record'

/** Every kind; one that is not complete does not compile. */
export const KINDS_AT_BOUNDARY = {
  ...CIRCUIT_AT_BOUNDARY,
  ...FIND_AT_BOUNDARY,
  ...CHOOSE_AT_BOUNDARY,
  ...FIT_AT_BOUNDARY,
  ...FLUID_AT_BOUNDARY,
  ...LEDGER_AT_BOUNDARY,
  ...REBUILD_AT_BOUNDARY,
  ...ORDERS_AT_BOUNDARY,
  ...PLAN_AT_BOUNDARY,
  ...BLEED_AT_BOUNDARY,
  ...PROVE_AT_BOUNDARY,
  ...HANDOVER_AT_BOUNDARY,
  ...RECORD_AT_BOUNDARY,
} satisfies { [K in Kind]: KindAtBoundary<Payloads[K]> }
