import { FLUIDS, FLUID_KINDS } from '../fluid/names'
import type { Climate, FluidKind } from '../fluid'
import { namesOf, type EntryKind } from './kind'
import type { Held } from './held'

/** What is in the circuit, and what its maker wants there. */
export interface FluidInside {
  kind: FluidKind
  /** What the cap or the maker’s book names. */
  wanted?: FluidKind
  /** Measured, % by mass. */
  water?: number
  /** Measured, °C. */
  boiling?: number
  climate?: Climate
  /** Months between two changes, by its maker. */
  everyMonths?: number
}
/** Fluid out of one of the shop’s containers, mm³. */
export interface FluidUsed {
  /** Id of the container. */
  container: string
  volume: number
  /** What the container says, for whoever reads the history without it. */
  kind?: FluidKind
}
/** Used fluid that went to licensed collection, mm³; whose, or on which paper. */
export interface FluidDisposed {
  volume: number
  words?: string
}

export interface FluidPayloads {
  fluidInside: FluidInside
  fluidUsed: FluidUsed
  fluidDisposed: FluidDisposed
}
export interface FluidState {
  fluidInside: Held<FluidInside> | null
  fluidUsed: Held<FluidUsed>[]
  fluidDisposed: Held<FluidDisposed>[]
}
export const startFluid = (): FluidState => ({
  fluidInside: null,
  fluidUsed: [],
  fluidDisposed: [],
})

const kinds = namesOf(FLUID_KINDS)

type Kinds = { [K in keyof FluidPayloads]: EntryKind<FluidPayloads[K], FluidState> }

export const FLUID_KINDS_OF_ENTRY: Kinds = {
  fluidInside: {
    stages: ['choose'],
    subjects: ['job', 'vehicle'],
    knows: ({ kind, wanted }) => kinds.has(kind) && (wanted === undefined || kinds.has(wanted)),
    replaces: () => 'fluidInside',
    take: (slice, held) => (slice.fluidInside = held),
    tell: ({ kind, wanted, water, boiling, everyMonths }, format) =>
      [
        `In the circuit: ${FLUIDS[kind].name}`,
        ...(wanted === undefined ? [] : [`its maker names ${FLUIDS[wanted].name}`]),
        ...(water === undefined ? [] : [`${water} % water measured`]),
        ...(boiling === undefined ? [] : [`boils at ${format.figure(boiling, '°C')}, measured`]),
        ...(everyMonths === undefined ? [] : [`changed every ${everyMonths} months, by its maker`]),
      ].join(', '),
  },
  fluidUsed: {
    stages: ['choose', 'bleed'],
    subjects: ['job'],
    knows: ({ kind }) => kind === undefined || kinds.has(kind),
    take: (slice, held) => slice.fluidUsed.push(held),
    tell: ({ kind, volume }, format) =>
      `Filled in: ${format.volume(volume)}${kind === undefined ? '' : ` of ${FLUIDS[kind].name}`}`,
  },
  fluidDisposed: {
    stages: ['bleed'],
    subjects: ['job'],
    take: (slice, held) => slice.fluidDisposed.push(held),
    tell: ({ volume, words }, format) =>
      `To licensed collection: ${format.volume(volume)}${words ? `, ${words}` : ''}`,
  },
}
