/**
 * Bores in which cylinders are usually made, mm: sixteenths of an inch, as most makers round them. A table of habit,
 * not a catalogue: what can be had is another matter.
 */
export const WORKSHOP_BORES: readonly number[] = [
  12.7, 14.29, 15.87, 17.46, 19.05, 20.64, 22.2, 23.81, 25.4, 26.99, 28.57, 31.75, 34.92,
]
