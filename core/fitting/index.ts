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
export {
  join,
  JOIN_CODES,
  JOIN_VERDICTS,
  SEAL_WORDS,
  SEAT_WORDS,
  type JoinCode,
  type JoinReason,
  type Joint,
} from './join'
export { answerChain, answerJoin, readEnd } from './read'
export { lookAlike, minorOf, sameThread, threadOf, type LookAlike, type Thread } from './thread'
export { HEXES, hexesNear, WRENCHES, type HexInUse } from './tables/hexes'
export { NUT_HEX, nutHex, type NutHex } from './tables/nut-hex'
export { TIGHTENING, type Tightening } from './tables/tightening'
export { THREADS_IN_USE, TUBES_IN_USE, type ThreadInUse } from './tables/threads-in-use'
export { chainAlternatives } from './alternatives'
export { contactsOf, type Contact } from './contacts'
export { ADAPTERS, type Adapter } from './tables/adapters'
