import { useIntervalFn } from '@vueuse/core'
import { watch } from 'vue'
import type { Cue } from '~~/contract'
import type { Subject } from '~~/core/journal'
import { useLive } from '~/sync/live'
import { useJournalStore } from '~/stores/journal'

/** ms between looks while entries do not come by themselves. */
const LOOK = 10_000

interface Followed {
  subject: () => Subject | null
  look: () => Promise<void>
}

/**
 * Follows what other tablets file: as a stream where there is one, else by a look every ten seconds; and asks at once for
 * what is missing between two entries.
 * @param path the one whose stream carries all of them; undefined until it is loaded
 * @param all subjects that it carries, the job's before the vehicle's
 */
export function useFollowing(
  path: () => string | undefined,
  all: readonly Followed[],
  cue: (cue: Cue) => void = () => {},
) {
  const journal = useJournalStore()
  const upTo = (type: Subject['type']) => {
    const subject = all.map((one) => one.subject()).find((one) => one?.type === type)
    return subject ? journal.upTo(subject) : 0
  }
  const { live } = useLive(path, {
    after: () => `${upTo('job')}.${upTo('vehicle')}`,
    entry: (entry) => journal.learn([entry]),
    cue,
    // What waits goes out at once, and nobody waits for the next look.
    opened: () => void journal.send(),
  })
  const lookAt = ({ look }: Followed) => look().catch(() => {})
  useIntervalFn(() => {
    if (live.value || document.visibilityState === 'hidden') return
    for (const one of all) void lookAt(one)
  }, LOOK)
  for (const one of all)
    watch(
      () => {
        const subject = one.subject()
        if (!subject) return false
        // Looked at for its changes.
        void journal.entriesOf(subject).value.length
        return journal.hasGap(subject)
      },
      (missing) => missing && void lookAt(one),
    )
}
