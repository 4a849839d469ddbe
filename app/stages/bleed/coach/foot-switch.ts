import { useStorage } from '@vueuse/core'

/** Keys that a remote for slides, or a pedal, sends without being told to. */
const ANSWERS: ReadonlySet<string> = new Set([
  ' ',
  'Enter',
  'PageDown',
  'ArrowRight',
  'ArrowDown',
  'MediaPlayPause',
  'MediaTrackNext',
  'AudioVolumeUp',
])
const AGAIN: ReadonlySet<string> = new Set([
  'PageUp',
  'ArrowLeft',
  'ArrowUp',
  'MediaTrackPrevious',
  'AudioVolumeDown',
])

/** Keys of this device: what answers a call, what has it said again, and the foot switch’s own key, kept here. */
export function useFootSwitch() {
  const own = useStorage<string>('mellow-foot-switch', '')
  return {
    own,
    answers: (key: string) => key === own.value || ANSWERS.has(key),
    saysAgain: (key: string) => key !== own.value && AGAIN.has(key),
  }
}
/** A key as it is named to people. */
export const keyWords = (key: string): string => (key === ' ' ? 'space' : key)
