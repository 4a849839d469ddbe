import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { BasketLinesBody, Order, OrderEventsBody, Page, SupplierState } from '~~/contract'
import { usePersonStore } from '~/stores/person'
import { api } from '~/sync/api'
import { newId } from '~/lib/ids'

type Happened = OrderEventsBody['happened'][number]['happened']

/** The basket and what is ordered, of the whole shop. It lives on the server alone: an order is nothing to keep for later. */
export const useOrdersStore = defineStore('orders', () => {
  const orders = ref<Order[] | null>(null)
  const supplier = ref<SupplierState | null>(null)
  const person = usePersonStore()
  const basket = computed(() => (orders.value ?? []).filter(({ state }) => state === 'draft'))
  const placed = computed(() => (orders.value ?? []).filter(({ state }) => state !== 'draft'))
  /** Something is on its way to a supplier that has not answered. */
  const sending = computed(() => placed.value.some(({ wired, answeredAt }) => wired && !answeredAt))
  let done = false

  async function load(all = done): Promise<void> {
    done = all
    const [page, state] = await Promise.all([
      api<Page<Order>>(`/orders${all ? '?show=all' : ''}`),
      api<SupplierState>('/supplier').catch(() => null),
    ])
    orders.value = page.items
    supplier.value = state
  }
  const hand = () => {
    if (!person.id) throw new Error('Pick your name at the bench first: each entry keeps who made it.')
    return { by: person.id, at: new Date().toISOString() }
  }
  async function add(lines: (Omit<BasketLinesBody['lines'][number], 'id'> & { id?: string })[]) {
    await api('/orders', { lines: lines.map((line) => ({ id: newId(), ...line })) })
    await load()
  }
  async function change(line: string, quantity: number): Promise<void> {
    await api(`/orders/lines/${line}`, { quantity }, 'PUT')
    await load()
  }
  async function place(id: string): Promise<void> {
    await api(`/orders/${id}/place`, hand())
    await load()
  }
  async function happened(
    id: string,
    all: { line: string; happened: Happened; quantity: number }[],
  ): Promise<void> {
    await api(`/orders/${id}/happened`, {
      ...hand(),
      happened: all.map((one) => ({ id: newId(), ...one })),
    })
    await load()
  }
  async function undo(id: string, event: string): Promise<void> {
    await api(`/orders/${id}/undo`, { ...hand(), id: newId(), event })
    await load()
  }
  return { orders, basket, placed, sending, supplier, load, add, change, place, happened, undo }
})
