/** Which jobs a list holds: on the bench (all but the closed), not proven yet, stopped, proven, closed. Apart from the schemas, for the first page carries none of them. */
export const JOB_FILTERS = ['bench', 'open', 'stopped', 'done', 'closed'] as const
export type JobFilter = (typeof JOB_FILTERS)[number]
