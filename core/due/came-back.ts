import type { ComplaintId } from '../diagnosis'

/** Days within which the same complaint on the same vehicle is held for a comeback: a year, as the trade warrants. */
export const COMEBACK_DAYS = 365

/** A job as it bears on another one of the same vehicle. */
export interface JobBefore {
  id: string
  /** ISO, when it stood as proven; null where it never did. */
  provenAt: string | null
  complaints: readonly ComplaintId[]
}

/**
 * The job that came back: the last of the vehicle's that was proven before this one was opened, no longer ago than a year,
 * and of which something is complained again.
 * @returns its id; null where nothing came back
 */
export function cameBack(
  { openedAt, complaints }: { openedAt: string; complaints: readonly ComplaintId[] },
  before: readonly JobBefore[],
): string | null {
  const from = Date.parse(openedAt) - COMEBACK_DAYS * 24 * 3600 * 1000
  const last = before
    .filter(({ provenAt }) => provenAt !== null && provenAt <= openedAt && Date.parse(provenAt) >= from)
    .filter((one) => one.complaints.some((complaint) => complaints.includes(complaint)))
    .sort((a, b) => b.provenAt!.localeCompare(a.provenAt!))[0]
  return last?.id ?? null
}
