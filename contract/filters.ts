/** Which jobs a list holds: not proven yet, stopped, proven. Apart from the schemas, for the first page carries none of them. */
export const JOB_FILTERS = ['open', 'stopped', 'done'] as const
export type JobFilter = (typeof JOB_FILTERS)[number]
