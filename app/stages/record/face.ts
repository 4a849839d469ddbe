import { AS_FOUND, notBuilt } from '../stage'

export const record = notBuilt(
  'Here the job card, the reminders and the file of the job will be made.',
  { ...AS_FOUND, beside: { phase: 'after', name: 'after' } },
)
