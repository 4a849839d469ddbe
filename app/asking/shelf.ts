import type { NeedAnswered } from '~~/contract'
import type { Need } from '~~/core/orders'
import { newestOf } from './newest'
import { api } from '~/sync/api'

/** What the shelf is asked of a need. */
export type NeedAsked = Pick<Need, 'id' | 'kind' | 'quantity' | 'spec'>

/** Asks the shelf which parts answer needs. */
export const askShelf = () =>
  newestOf((text: string) =>
    api<NeedAnswered[]>('/parts/for', { needs: JSON.parse(text) as NeedAsked[] }),
  )
