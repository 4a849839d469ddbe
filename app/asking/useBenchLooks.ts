import { onScopeDispose, shallowReactive, watch, type Ref } from 'vue'
import type { BenchJob, JobLook } from '~~/contract'
import { api } from '~/sync/api'

/** More jobs than these are not asked about: the bench shows the newest first. */
const MOST = 24

/**
 * The best next look of each job that is still being looked into, one after the other as the server works them out. The
 * bench stands without them.
 */
export function useBenchLooks(jobs: Ref<BenchJob[] | null>) {
  const looks = shallowReactive(new Map<string, JobLook>())
  let run = 0
  onScopeDispose(() => run++)
  watch(
    jobs,
    async (list) => {
      const mine = ++run
      looks.clear()
      const asked = (list ?? []).filter(({ step }) => step.to === 'look').slice(0, MOST)
      for (const { id } of asked) {
        const look = await api<JobLook>(`/jobs/${id}/look`).catch(() => null)
        if (mine !== run) return
        if (look) looks.set(id, look)
      }
    },
    { immediate: true },
  )
  return looks
}
