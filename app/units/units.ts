import { useSessionStorage } from '@vueuse/core'
import { computed, watch, type WritableComputedRef } from 'vue'
import {
  displayUnit,
  formatOf,
  lengthTyped,
  numberIn,
  read,
  readWithUnit,
  stored,
  typed,
  type CoreUnit,
  type Format,
  type UnitSystem,
} from '~~/core/quantity'
import { usePersonStore } from '~/stores/person'

/** A field's bounds in the core's unit. */
export interface Bounds {
  min: number
  max: number
}

/** Units of whoever is at this device. Called inside a template or a computed, what they give follows the person. */
export const unitsNow = (): UnitSystem => usePersonStore().units

export const formatNow = (): Format => formatOf(unitsNow())
export const symbolOf = (unit: CoreUnit): string => displayUnit(unit, unitsNow()).symbol
export const inUnits = (value: number, unit: CoreUnit, decimals?: number): string =>
  read(value, unit, unitsNow(), decimals)
export const withUnits = (value: number, unit: CoreUnit, decimals?: number): string =>
  readWithUnit(value, unit, unitsNow(), decimals)
/** A stored figure as it would be typed: all its digits. */
export const asTyped = (value: number, unit: CoreUnit): string => typed(value, unit, unitsNow())

/** What was typed, in the core's unit; null for what is no number. */
export function typedValue(text: string, unit: CoreUnit): number | null {
  if (unit === 'mm') return lengthTyped(text, unitsNow())
  const value = numberIn(text)
  return value === null ? null : stored(value, unit, unitsNow())
}

/** The same within bounds, or null. The bounds are the core's; a figure that was typed as the bound itself counts. */
export function typedWithin(text: string, unit: CoreUnit, { min, max }: Bounds): number | null {
  const value = typedValue(text, unit)
  const slack = 1e-12 * Math.max(Math.abs(min), Math.abs(max))
  return value === null || value < min - slack || value > max + slack
    ? null
    : Math.min(max, Math.max(min, value))
}

/** Bounds as they are read: "5 to 60 mm". */
export function boundsIn({ min, max }: Bounds, unit: CoreUnit): string {
  const symbol = symbolOf(unit)
  const short = (value: number) => String(Number(Number(asTyped(value, unit)).toPrecision(4)))
  return `${short(min)} to ${short(max)}${symbol && symbol !== '°' ? ' ' : ''}${symbol}`
}

/** Text in a field when the person's units change: the same figure, in the new unit. */
export function retyped(text: string, unit: CoreUnit, from: UnitSystem, to: UnitSystem): string {
  const value = unit === 'mm' ? lengthTyped(text, from) : numberIn(text)
  if (value === null) return text
  return typed(unit === 'mm' ? value : stored(value, unit, from), unit, to)
}

/** Typed text that lives as long as the tab, and means the same figure in whatever units it is read again. */
export function useTypedText(key: string, unit: () => CoreUnit): WritableComputedRef<string> {
  const kept = useSessionStorage(key, { text: '', units: unitsNow() })
  const turn = () => {
    const { text, units } = kept.value
    const now = unitsNow()
    if (units !== now) kept.value = { text: retyped(text, unit(), units, now), units: now }
  }
  turn()
  watch(unitsNow, turn)
  return computed({
    get: () => kept.value.text,
    set: (text) => (kept.value = { text, units: unitsNow() }),
  })
}

/** Keeps typed text meaning the same figure while the person changes units. */
export function useRetyping(text: { value: string }, unit: () => CoreUnit): void {
  const units = computed(unitsNow)
  watch(units, (to, from) => (text.value = retyped(text.value, unit(), from, to)))
}
