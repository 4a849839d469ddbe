/** What joins what: ends, threads and their look-alikes, joints, and chains of pieces between two ends. */
export { chain, CHAIN_COSTS, type Chain, type ChainAnswer, type ChainCosts, type Piece } from './chain'
export {
  GENDERS,
  LEAST_ENGAGED,
  MATERIALS,
  SEALS,
  SEAT_TAKES,
  SEATS,
  type End,
  type Gender,
  type Material,
  type Seal,
  type Seat,
} from './end'
export { join, type JoinCode, type JoinReason, type Joint } from './join'
export { answerChain, answerJoin } from './read'
export { lookAlike, minorOf, sameThread, threadOf, type LookAlike, type Thread } from './thread'
