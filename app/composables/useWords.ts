import type { Stage } from '~~/core/journal'

/** Stages that are built; the others stand on the road as what they are. */
export const BUILT_STAGES: readonly Stage[] = ['find', 'bleed', 'prove']
