import { createInjectionState } from '@vueuse/core'

/**
 * State that a page opens and what stands on it uses: one to provide it, one to use it.
 * @param what it is, as it is said where nobody has opened it
 */
export function injected<Arguments extends unknown[], State>(
  what: string,
  open: (...given: Arguments) => State,
): readonly [provide: (...given: Arguments) => State, use: () => State] {
  const [provide, use] = createInjectionState(open, { injectionKey: Symbol(what) })
  return [
    provide,
    () => {
      const state = use()
      if (state === undefined) throw new Error(`no ${what} is open here`)
      return state
    },
  ]
}
