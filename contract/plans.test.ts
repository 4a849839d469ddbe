import { readFileSync } from 'node:fs'
import { Ajv } from 'ajv'
import { describe, expect, it } from 'vitest'
import { PACKAGES, readPackage } from '../core/plan'
import { PackageFileSchema, publishedPackageSchema } from './plans'

const check = new Ajv({ allErrors: true }).compile(PackageFileSchema)
const own = () => structuredClone({ ...PACKAGES.get('renewHose')!, id: 'own-hose' })

describe('a package at the boundary', () => {
  it('is published as it is checked', () => {
    const published = JSON.parse(readFileSync('public/schemas/package-1.json', 'utf8')) as object
    expect(published).toEqual(publishedPackageSchema())
  })
  it('every usual one passes under a name of the shop’s own, and under its own name none does', () => {
    for (const pack of PACKAGES.values()) {
      expect(check({ ...pack, id: 'own-copy' }), pack.id).toBe(true)
      expect(check(pack), pack.id).toBe(false)
    }
  })
  it.each<[string, (pack: ReturnType<typeof own>) => object, string]>([
    ['a field too many', (pack) => ({ ...pack, by: 'me' }), ''],
    ['no steps', (pack) => ({ ...pack, steps: [] }), '/steps'],
    [
      'a place that there is not',
      (pack) => ({ ...pack, steps: [{ ...pack.steps[0], place: 'roof' }] }),
      '/steps/0/place',
    ],
    [
      'two minutes',
      (pack) => ({ ...pack, steps: [{ ...pack.steps[0], minutes: [1, 2] }] }),
      '/steps/0/minutes',
    ],
    [
      'minutes in words',
      (pack) => ({ ...pack, steps: [{ ...pack.steps[0], minutes: [1, 'two', 3] }] }),
      '/steps/0/minutes/1',
    ],
  ])('is refused for %s, as the core refuses it', (_, spoil, path) => {
    const spoilt = spoil(own())
    expect(check(spoilt)).toBe(false)
    expect(check.errors!.map(({ instancePath }) => instancePath)).toContain(path)
    expect(() => readPackage(spoilt)).toThrow()
  })
})
