import fc from 'fast-check'

fc.configureGlobal({ numRuns: 300, seed: Number(process.env.FC_SEED ?? 20261124) })
