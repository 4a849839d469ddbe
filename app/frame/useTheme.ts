import { createGlobalState, useStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

export type Theme = 'paper' | 'lamp'

/** Paper for the bench, lamp for under the vehicle; kept on this device. */
export const useTheme = createGlobalState(() => {
  const look = useStorage<Theme>('mellow-look', 'paper')
  watchEffect(() => {
    document.documentElement.dataset.look = look.value
  })
  const turn = () => {
    look.value = look.value === 'paper' ? 'lamp' : 'paper'
  }
  return { look, turn }
})
