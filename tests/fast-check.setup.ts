import fc from 'fast-check'
import { WHOLE } from './whole'

/** A third of the draws in `npm test`, all of them in `npm run trials`. */
const RUNS = WHOLE ? 300 : 100

fc.configureGlobal({ numRuns: RUNS, seed: Number(process.env.FC_SEED ?? 20261124) })
