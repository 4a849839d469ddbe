import { expect, it } from 'vitest'
import { ref } from 'vue'
import { useFollowed } from './useFollowed'

it('takes what arrives until somebody types, and again once that is what was typed', () => {
  const kept = ref<string>()
  const field = useFollowed(() => kept.value)
  expect(field.value).toBe('')
  kept.value = '60'
  expect(field.value).toBe('60')
  kept.value = '65'
  expect(field.value).toBe('65')
  field.value = 'cheap'
  kept.value = '70'
  expect(field.value).toBe('cheap')
  field.value = '72.5'
  kept.value = '72.5'
  kept.value = '80'
  expect(field.value).toBe('80')
})
