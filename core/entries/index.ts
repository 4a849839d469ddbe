/**
 * Kinds of entry by stage: for each its payload, the subjects it may stand on, its slice of the state and its words. A kind is
 * made in its stage's file; the table below lists the files.
 */
import { BLEED_KINDS, startBleed, type BleedPayloads, type BleedState } from './bleed'
import { CHOOSE_KINDS, startChoose, type ChoosePayloads, type ChooseState } from './choose'
import { CIRCUIT_KINDS, startCircuit, type CircuitPayloads, type CircuitState } from './circuit'
import { FIND_KINDS, startFind, type FindPayloads, type FindState } from './find'
import { FIT_KINDS, startFit, type FitPayloads, type FitState } from './fit'
import { FLUID_KINDS_OF_ENTRY, startFluid, type FluidPayloads, type FluidState } from './fluid'
import { HANDOVER_KINDS, startHandover, type HandoverPayloads, type HandoverState } from './handover'
import type { EntryKind } from './kind'
import { LEDGER_KINDS, startLedger, type LedgerPayloads, type LedgerState } from './ledger'
import { ORDER_KINDS, startOrders, type OrderPayloads, type OrderSlice } from './orders'
import { PLAN_KINDS, startPlan, type PlanPayloads, type PlanState } from './plan'
import { PROVE_KINDS, startProve, type ProvePayloads, type ProveState } from './prove'
import { REBUILD_KINDS, startRebuild, type RebuildPayloads, type RebuildState } from './rebuild'
import { RECORD_KINDS, startRecord, type RecordPayloads, type RecordState } from './record'

export type { EntryKind } from './kind'
export type { Held, Subject } from './held'
export * from './bleed'
export * from './choose'
export * from './circuit'
export * from './find'
export * from './fit'
export * from './fluid'
export * from './handover'
export * from './ledger'
export * from './orders'
export * from './plan'
export * from './prove'
export * from './rebuild'
export * from './record'
export { dayWords, seconds } from './phrases'
export { phaseAt, phasesShown, stageName, STAGES, startStage, type Stage } from './stages'

/** Payload of each kind of entry. */
export interface Payloads
  extends
    CircuitPayloads,
    FindPayloads,
    ChoosePayloads,
    FitPayloads,
    FluidPayloads,
    LedgerPayloads,
    RebuildPayloads,
    OrderPayloads,
    PlanPayloads,
    BleedPayloads,
    ProvePayloads,
    HandoverPayloads,
    RecordPayloads {}
export type Kind = keyof Payloads

/** What a job's entries add up to, stage by stage. */
export interface Slices {
  circuit: CircuitState
  find: FindState
  choose: ChooseState
  fit: FitState
  fluid: FluidState
  ledger: LedgerState
  rebuild: RebuildState
  orders: OrderSlice
  plan: PlanState
  bleed: BleedState
  prove: ProveState
  handover: HandoverState
  record: RecordState
}
export type SliceName = keyof Slices

/** How each slice begins, and the kinds that are taken into it: each from its own kinds alone. */
export const SLICES: { [S in SliceName]: { start: () => Slices[S]; kinds: object } } = {
  circuit: { start: startCircuit, kinds: CIRCUIT_KINDS },
  find: { start: startFind, kinds: FIND_KINDS },
  choose: { start: startChoose, kinds: CHOOSE_KINDS },
  fit: { start: startFit, kinds: FIT_KINDS },
  fluid: { start: startFluid, kinds: FLUID_KINDS_OF_ENTRY },
  ledger: { start: startLedger, kinds: LEDGER_KINDS },
  rebuild: { start: startRebuild, kinds: REBUILD_KINDS },
  orders: { start: startOrders, kinds: ORDER_KINDS },
  plan: { start: startPlan, kinds: PLAN_KINDS },
  bleed: { start: startBleed, kinds: BLEED_KINDS },
  prove: { start: startProve, kinds: PROVE_KINDS },
  handover: { start: startHandover, kinds: HANDOVER_KINDS },
  record: { start: startRecord, kinds: RECORD_KINDS },
}

/** Every kind; one that is not complete does not compile. */
export const KINDS = {
  ...CIRCUIT_KINDS,
  ...FIND_KINDS,
  ...CHOOSE_KINDS,
  ...FIT_KINDS,
  ...FLUID_KINDS_OF_ENTRY,
  ...LEDGER_KINDS,
  ...REBUILD_KINDS,
  ...ORDER_KINDS,
  ...PLAN_KINDS,
  ...BLEED_KINDS,
  ...PROVE_KINDS,
  ...HANDOVER_KINDS,
  ...RECORD_KINDS,
} satisfies { [K in Kind]: EntryKind<Payloads[K], never> }
