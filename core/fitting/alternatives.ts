import { chain, CHAIN_COSTS, type Chain, type ChainCosts, type Piece } from './chain'
import type { End } from './end'

/**
 * The cheapest chain and what would be done without it: for each of its pieces the cheapest chain that leaves that piece out,
 * cheapest first, none twice.
 * @param most how many are given at the most
 */
export function chainAlternatives(
  from: End,
  to: End,
  pieces: readonly Piece[],
  costs: ChainCosts = CHAIN_COSTS,
  most = 3,
): { chains: Chain[]; none: string | null } {
  const best = chain(from, to, pieces, costs)
  if ('none' in best) return { chains: [], none: best.none }
  const nameOf = (one: Chain) => one.chain.map(({ id, turned }) => `${id}${turned ? '<' : '>'}`).join()
  const found = new Map<string, Chain>([[nameOf(best), plain(best)]])
  for (const { id } of best.chain) {
    const other = chain(
      from,
      to,
      pieces.filter((piece) => piece.id !== id),
      costs,
    )
    if (!('none' in other)) found.set(nameOf(other), plain(other))
  }
  const chains = [...found.values()].sort((a, b) => a.cost - b.cost || a.joints - b.joints)
  return { chains: chains.slice(0, most), none: null }
}
const plain = ({ chain: list, cost, price, joints, days }: Chain): Chain => ({
  chain: list,
  cost,
  price,
  joints,
  days,
})
