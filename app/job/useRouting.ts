import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, type Ref } from 'vue'
import type { Kind, Payloads } from '~~/core/journal'
import {
  addPoint,
  movePoint,
  removePoint,
  snapHeight,
  type Installation,
  type PointMove,
} from '~~/core/installation'
import { unitsNow } from '~/units/units'

/** Heights snap to this, and to a neighbour's within twice as much; mm or the nearest eighth of an inch. */
const SNAP = { metric: 5, inch: 25.4 / 8 } as const
/** Keys that follow each other sooner than this are one move, ms. */
const PAUSE = 900

type File = <K extends Kind>(kind: K, payload: Payloads[K]) => Promise<boolean>

/**
 * Routing the line: points moved, added and removed on a draft that is shown at once, and filed as one entry when the
 * hand lets go.
 */
export function useRouting(base: Readonly<Ref<Installation | null>>, file: File) {
  const draft = shallowRef<Installation | null>(null)
  const chosen = ref<number | null>(null)
  const shown = computed(() => draft.value ?? base.value)

  function move(index: number, to: PointMove, snap = false): void {
    if (!shown.value) return
    const step = SNAP[unitsNow()]
    const height =
      snap && to.height !== undefined
        ? snapHeight(shown.value.route, index, to.height, 2 * step, step)
        : to.height
    const move = { ...to, ...(height !== undefined && { height }) }
    const moved = movePoint(shown.value, index, move)
    const reached = moved.route[index]!.height
    // As far as the line reaches, on the last round figure before it.
    const short = snap && height !== undefined && Math.abs(reached - height) > 0.01
    const round = height !== undefined && height > reached ? Math.floor : Math.ceil
    draft.value = short
      ? movePoint(shown.value, index, { ...move, height: round(reached / step) * step })
      : moved
  }

  /** By so much, as arrow keys do. */
  function nudge(index: number, along: number, height: number): void {
    const point = shown.value?.route[index]
    if (!point) return
    move(index, { along: point.along + along, height: point.height + height })
    void keepSoon()
  }

  async function add(along: number): Promise<void> {
    if (!shown.value) return
    const added = addPoint(shown.value, along)
    if (!added) return
    draft.value = added.installation
    chosen.value = added.index
    await keep()
  }

  /** A point halfway to the next one. */
  async function addAfter(index: number): Promise<void> {
    const route = shown.value?.route
    if (!route) return
    const i = Math.min(index, route.length - 2)
    await add((route[i]!.along + route[i + 1]!.along) / 2)
  }

  async function remove(index: number): Promise<void> {
    if (!shown.value) return
    const next = removePoint(shown.value, index)
    if (next === shown.value) return
    draft.value = next
    chosen.value = Math.min(index, next.route.length - 1)
    await keep()
  }

  /** What is drawn is a trial: it stands, and what hangs on it is worked out, but it is filed only when somebody says so. */
  const trial = ref(false)
  /** Files what was drawn: the route alone, or the whole where a union moved and lines changed their lengths. */
  async function keep(sure = false): Promise<void> {
    const now = draft.value
    if (!now || !base.value || (trial.value && !sure)) return
    const done =
      now.circuit === base.value.circuit
        ? await file('route', { points: now.route })
        : await file('installation', {
            ...now,
            assumed: now.assumed.filter((path) => path !== 'route'),
          })
    // What could not be filed is not kept on the screen as if it were.
    if (draft.value === now) draft.value = null
    if (!done) chosen.value = null
  }
  const keepSoon = useDebounceFn(() => keep(), PAUSE)

  function choose(index: number): void {
    chosen.value = index
  }

  function letGo(): void {
    draft.value = null
  }
  return { shown, draft, trial, chosen, choose, move, nudge, add, addAfter, remove, keep, letGo }
}
export type Routing = ReturnType<typeof useRouting>
