import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Container } from '~~/contract'
import type { FluidKind } from '~~/core/fluid'
import { api } from '~/sync/api'
import { newId } from '~/lib/ids'

/** Containers of fluid on the shelf. */
export const useContainersStore = defineStore('containers', () => {
  const list = ref<Container[] | null>(null)

  async function load(): Promise<void> {
    list.value = await api<Container[]>('/containers')
  }
  async function add(kind: FluidKind, volume: number, openedAt: string | null): Promise<void> {
    await api<Container>('/containers', { id: newId(), kind, volume, openedAt })
    await load()
  }
  async function change(id: string, openedAt: string | null, gone = false): Promise<void> {
    await api<Container>(`/containers/${id}`, { openedAt, ...(gone && { gone }) }, 'PUT')
    await load()
  }
  return { list, load, add, change }
})
