import type { Migration } from '../migrate'

/** Changes planned for a circuit have a name of their own, for other things will be planned too. */
export const circuitPlan: Migration = {
  name: '0005-circuit-plan',
  up: [`UPDATE entries SET kind = 'circuitPlan' WHERE kind = 'plan'`],
  down: [`UPDATE entries SET kind = 'plan' WHERE kind = 'circuitPlan'`],
}
