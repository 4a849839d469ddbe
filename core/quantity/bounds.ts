/** Bounds that several fields share, each stated once. */

/** A volume that a workshop handles in one go. */
export const WORKSHOP_VOLUME = { unit: 'mm³', min: 0, max: 2_000_000 } as const
/** How long a reading may be held: a second to a week. */
export const HELD_FOR = { unit: 's', min: 1, max: 604_800 } as const
/** Any figure of a circuit or of its place; each field has narrower bounds of its own. */
export const ANY_FIGURE = { min: -2000, max: WORKSHOP_VOLUME.max } as const
