import { ConnectionRefusedError, DatabaseError } from 'sequelize'
import { describe, expect, it } from 'vitest'
import { Refusal } from '../services/refusal'
import { problemOf } from './problem'

/** An error as the connector and Sequelize hand it on. */
const fromDatabase = (errno: number, code = '') =>
  new DatabaseError(Object.assign(new Error('SELECT secrets FROM insides'), { errno, code, sql: '' }))

describe('problem details', () => {
  it.each([
    [1205, 503, 'busy'],
    [1213, 503, 'busy'],
    [1062, 409, 'taken'],
    [1114, 503, 'database-full'],
    [1290, 503, 'database-full'],
    [1047, 503, 'database-away'],
    [1146, 500, 'failed'],
  ])(
    'of the database’s error %i are %i, %s, and show nothing of its insides',
    (errno, status, code) => {
      const problem = problemOf(fromDatabase(errno))
      expect(problem).toMatchObject({ status, type: `urn:mellow-anchor:${code}` })
      expect(JSON.stringify(problem)).not.toMatch(/SELECT|secrets/)
    },
  )

  it('of a connection that was cut say that the database is away', () => {
    expect(problemOf(fromDatabase(0, 'ECONNRESET')).status).toBe(503)
    expect(problemOf(new ConnectionRefusedError(new Error('no'))).type).toMatch(/database-away/)
  })

  it('of a refusal are its own, with the fields', () => {
    const errors = [{ path: '/name', message: 'is taken' }]
    expect(problemOf(new Refusal('name-taken', 'There is one', errors))).toEqual({
      type: 'urn:mellow-anchor:name-taken',
      title: 'name taken',
      status: 409,
      detail: 'There is one',
      errors,
    })
  })
})
