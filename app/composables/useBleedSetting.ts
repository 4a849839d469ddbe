import { useStorage } from '@vueuse/core'
import type { Method } from '~~/core/journal'

/** Method and strokes of a cycle as last used on a job; kept on this device. */
export const useBleedSetting = (jobId: string) =>
  useStorage<{ method: Method; strokes: number }>(`mellow-cycle-${jobId}`, { method: 'openPush', strokes: 1 })
