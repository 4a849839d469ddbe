import { repairOf, type FaultId } from '../diagnosis'
import { operationOf, type OperationId } from '../work'
import type { Renewed } from './must-be-gone'

/** Work other than its own repair that takes a fault away all the same, with the reason. */
const ALSO_CURES: readonly {
  faults: readonly FaultId[]
  by: readonly OperationId[]
  reason: string
}[] = [
  {
    faults: ['unionLeak'],
    by: ['hose', 'pipe', 'slave', 'concentric', 'tighten'],
    reason: 'At hose or slave: made anew with the part on either side of it, or only loose.',
  },
  {
    faults: ['unionDraws', 'connectorLoose'],
    by: ['hose', 'pipe', 'slave', 'concentric', 'master', 'tighten'],
    reason: 'Whichever joint it was: made anew with a part beside it, or only loose or not home.',
  },
  {
    faults: ['jointWrong'],
    by: ['unions', 'hose', 'slave', 'concentric', 'master'],
    reason: 'Either side is changed for one that joins; tightening it cures nothing.',
  },
  {
    faults: ['outletLeak'],
    by: ['master', 'pipe', 'tighten'],
    reason: 'The joint at the outlet is made anew with either.',
  },
  {
    faults: ['bleederLeaks'],
    by: ['slave', 'concentric', 'tighten'],
    reason: 'A new slave brings its screw; one that was only loose is tightened.',
  },
  {
    faults: ['slaveLeakInside', 'slaveSticks', 'slaveBody', 'slaveNoisy', 'slaveWrong'],
    by: ['concentric'],
    reason: 'Where the slave sits inside, that is the one.',
  },
  {
    faults: [
      'masterBypass',
      'masterRearLeak',
      'slaveLeak',
      'slaveSticks',
      'hoseLeak',
      'hoseSwells',
      'hoseClosed',
    ],
    by: ['everythingRubber'],
    reason: 'Every rubber part was renewed.',
  },
  {
    faults: ['restrictor'],
    by: ['slave', 'master', 'pipe'],
    reason: 'It sits in a cylinder or in the line, and went with that.',
  },
  {
    faults: ['fluidOld'],
    by: ['flush', 'everythingRubber'],
    reason: 'Old fluid went out with it.',
  },
  {
    faults: ['masterUnprimed', 'airFromWork', 'airLowLevel'],
    by: ['flush'],
    reason: 'Fluid that is changed right through takes the air along.',
  },
  {
    faults: ['partWrong'],
    by: ['slave', 'concentric'],
    reason: 'A pair is put right from either end.',
  },
  {
    faults: ['slaveWrong'],
    by: ['master'],
    reason: 'A pair is put right from either end.',
  },
  {
    faults: ['pedalBlocked'],
    by: ['stop'],
    reason: 'A stop that was in the way is set back.',
  },
  {
    faults: ['rodTooLong', 'rodTooShort'],
    by: ['master', 'stop', 'pin'],
    reason: 'A new master has its rod set anew; a worn pin or a stop was all that was long or short.',
  },
  {
    faults: ['guideDry', 'pedalBushes', 'masterNoisy'],
    by: ['grease'],
    reason: 'Dry is cured by grease, worn is not: whoever confirms it has looked.',
  },
  {
    faults: ['linkageWorn', 'linkageSet', 'linkageTight'],
    by: ['pin', 'fork', 'linkage'],
    reason: 'Rod tip and cup are renewed with either.',
  },
]

/** Small parts that are no operation by themselves, and what a new one cures. */
const CURED_BY_PART: Partial<Record<Renewed, readonly FaultId[]>> = {
  bleeder: ['bleederLeaks'],
  connector: ['connectorLoose'],
}
/** Faults that any work on the opened circuit cures, since it is bled afterwards. */
const BLED_OUT: readonly FaultId[] = repairOf('airFromWork').cures

/** Operations of which any cures a fault. */
export function curedBy(fault: FaultId): ReadonlySet<OperationId> {
  const also = ALSO_CURES.filter(({ faults }) => faults.includes(fault)).flatMap(({ by }) => by)
  return new Set<OperationId>([repairOf(fault).id, ...also])
}

/** Confirmed causes whose repair was neither done nor put off on purpose, in their order. What is put off is that very repair. */
export function untied(
  causes: readonly FaultId[],
  done: readonly OperationId[],
  putOff: readonly string[],
  renewed: ReadonlySet<Renewed>,
): FaultId[] {
  const opened = done.some((id) => operationOf(id).opens)
  return causes.filter((fault) => {
    if (opened && BLED_OUT.includes(fault)) return false
    if (putOff.includes(repairOf(fault).id)) return false
    if ([...renewed].some((part) => CURED_BY_PART[part]?.includes(fault))) return false
    const cures = curedBy(fault)
    return !done.some((id) => cures.has(id))
  })
}
