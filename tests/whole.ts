/** `npm run trials` sets it: every draw and every cycle. `npm test` takes a part of each, on a machine with two cores. */
export const WHOLE = Boolean(process.env.MELLOW_WHOLE)
