import { ref, watch } from 'vue'
import { keptAnswers, shownAsOf } from './kept'

/** The shop was put back from a backup, and what this page shows, and counts on from, may be from before. */
export const isPutBack = ref(false)

const KEY = 'mellow-restored-at'
/** The last that this page heard; before that, what this browser did. */
let heard: string | null | undefined
/** Something on this page came from the browser, and not from the server as it is now. */
let isOlder = shownAsOf.value !== null
watch(shownAsOf, (at) => (isOlder ||= at !== null), { flush: 'sync' })

/** The server’s word, with each answer, on when its shop was last put back, or `never`; none where it does not know yet. */
export function heardOfShop(restoredAt: string | null | undefined): void {
  if (!restoredAt) return
  const isFirst = heard === undefined
  heard ??= keptWord()
  if (heard === restoredAt) return
  if (heard !== null) {
    void keptAnswers.forgetAll()
    // A page that has its first answer with this word shows what the server has now.
    isPutBack.value ||= !isFirst || isOlder
  }
  heard = restoredAt
  keepWord(restoredAt)
}

// A browser that keeps nothing has nothing to forget when a page is opened again.
function keptWord(): string | null {
  try {
    return localStorage.getItem(KEY)
  } catch {
    return null
  }
}
function keepWord(word: string): void {
  try {
    localStorage.setItem(KEY, word)
  } catch {
    // As above.
  }
}
