import type { Entry, Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import { troubleOf } from '../../database/errors'
import { inTransaction } from '../../database/transaction'
import { committed } from '../../live/news'
import { appendWithin, refusalOf, type Appended } from './append'
import { sawWrite } from '../health'
import { Refusal } from '../refusal'

/** So many entries of one subject go into one transaction at the most. */
const MOST_AT_ONCE = 50
/** ms that an entry may wait for its turn. */
const PATIENCE = 5000

interface Turn {
  entry: Entry
  done: (answer: Appended) => void
  fail: (error: unknown) => void
}

/** Entries that wait for their subject, and whether one of its transactions is under way. */
class Queue {
  turns: Turn[] = []
  running = false
}
const queues = new WeakMap<Database, Map<string, Queue>>()

/**
 * Appends one entry. Entries of one subject that come while another is being written wait here and go together into the
 * next transaction: a subject never takes more than one connection, and a busy one costs a commit for many entries.
 *
 * @throws Refusal 503 where it waited for its turn in vain
 */
export async function appendEntry(
  database: Database,
  subject: Subject,
  entry: Entry,
): Promise<{ entry: Entry; created: boolean }> {
  const refusal = refusalOf(subject, entry)
  if (refusal) throw refusal
  if (entry.kind === 'order')
    throw new Refusal(
      'by-order',
      'What becomes of an order is told with the order, not filed beside it',
      [{ path: '/kind', message: 'is filed by the order itself' }],
    )
  const answer = await inTurn(database, subject, entry)
  if (answer instanceof Refusal) throw answer
  return answer
}

function inTurn(database: Database, subject: Subject, entry: Entry): Promise<Appended> {
  const queue = queueOf(database, subject)
  return new Promise((resolve, reject) => {
    const turn: Turn = {
      entry,
      done: (answer) => (clearTimeout(timer), resolve(answer)),
      fail: (error) => (clearTimeout(timer), reject(error)),
    }
    const timer = setTimeout(() => {
      if (!queue.turns.includes(turn)) return
      queue.turns = queue.turns.filter((one) => one !== turn)
      reject(new Refusal('busy', 'Somebody else holds this just now. It is tried again by itself.'))
    }, PATIENCE)
    queue.turns.push(turn)
    if (!queue.running) void work(database, subject, queue)
  })
}

function queueOf(database: Database, { type, id }: Subject): Queue {
  let all = queues.get(database)
  if (!all) queues.set(database, (all = new Map()))
  const key = `${type} ${id}`
  let queue = all.get(key)
  if (!queue) all.set(key, (queue = new Queue()))
  return queue
}

async function work(database: Database, subject: Subject, queue: Queue): Promise<void> {
  queue.running = true
  while (queue.turns.length > 0) await write(database, subject, queue.turns.splice(0, MOST_AT_ONCE))
  queue.running = false
  queues.get(database)?.delete(`${subject.type} ${subject.id}`)
}

async function write(database: Database, subject: Subject, turns: Turn[]): Promise<void> {
  try {
    const answers = await inTransaction(database, (transaction) =>
      appendWithin(
        database,
        subject,
        turns.map(({ entry }) => entry),
        transaction,
      ),
    )
    turns.forEach(({ done }, i) => done(answers[i]!))
    if (answers.some((answer) => !(answer instanceof Refusal) && answer.created)) {
      sawWrite(database, true)
      committed('entries')
    }
  } catch (error) {
    if (troubleOf(error) === 'full') sawWrite(database, false)
    // One that the database refuses must not take the others along; one that nobody can write now waits with them.
    if (turns.length > 1 && !(error instanceof Refusal) && troubleOf(error) === null)
      for (const turn of turns) await write(database, subject, [turn])
    else for (const { fail } of turns) fail(error)
  }
}
